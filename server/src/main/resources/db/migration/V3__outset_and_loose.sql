-- A mask's "expand" is called its outset, and a key that gives up its time is loose. Documents, the changes that lead
-- through them, and the documents of renders are brought forward together, so that undo still leads all the way back.
create function brought_forward(document text) returns text language sql immutable as $$
    select regexp_replace(
        regexp_replace(
            regexp_replace(
                replace(replace(document, '"expand":', '"outset":'), '"rov' || 'ing":', '"loose":'),
                '"(mask\.[^"]*)\.expand"', '"\1.outset"', 'g'),
            '(/masks/[0-9]+)/expand', '\1/outset', 'g'),
        '(/keys/[0-9]+)/rov' || 'ing', '\1/loose', 'g')
$$;
update shot set document = brought_forward(document);
update edit set patch = brought_forward(patch), inverse = brought_forward(inverse);
update job set document = brought_forward(document) where document is not null;
drop function brought_forward(text);
