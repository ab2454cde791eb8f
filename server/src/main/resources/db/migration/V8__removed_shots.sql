-- Shots that were deleted stay for a while, so that deleting them can be undone.
alter table shot add column removed_at timestamptz;
