-- Files are named as they lie in the data folder, so that the folder can be moved: a medium's by the hash of its bytes.
alter table media add column ending text not null default '';
update media set ending = coalesce(substring(file from '\.[a-z0-9]{1,8}$'), '');
alter table media drop column file;
update job set file = substring(file from 'renders/[^/]*$') where file is not null;

-- What a job needs to know is its kind's own business.
alter table job add column settings text not null default '{}';
update job set settings = '{"output":' || to_json(output)::text || ',"shot":' || document || '}'
where document is not null and output is not null;
alter table job drop column document, drop column output;

-- What was found out about clips, once for all who ask: a picture of it, how loud it is, later tracks and cut-outs. "key"
-- says by which settings; the bytes lie in the data folder by their hash.
create table footage_finding (
    id uuid primary key,
    kind text not null,
    key text not null,
    clip text not null,
    first_frame bigint not null,
    last_frame bigint not null,
    hash text not null,
    bytes bigint not null,
    created_at timestamptz not null,
    unique (clip, kind, key, first_frame, last_frame)
);
create index footage_finding_by_hash on footage_finding (hash);
