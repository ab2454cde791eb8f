-- Names this database, so that the folder of files knows whose it is: files that another database owns are never swept.
create table installation (id uuid primary key);
insert into installation values (gen_random_uuid());
