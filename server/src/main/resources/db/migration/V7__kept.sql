-- What people keep by name in a project, to use it again: arrivals and departures as they were set.
create table kept (
    id uuid primary key,
    project_id uuid not null references project (id) on delete cascade,
    kind text not null,
    name text not null,
    document text not null,
    created_at timestamptz not null
);
create index kept_of_project on kept (project_id, kind);
