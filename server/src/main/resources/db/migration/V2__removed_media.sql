-- Media that somebody took out of the project; undo may still lead back to a shot that shows them.
alter table media add column removed_at timestamptz;
