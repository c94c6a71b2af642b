
SET statement_timeout = 0;
SET lock_timeout = 0;
SET idle_in_transaction_session_timeout = 0;
SET client_encoding = 'UTF8';
SET standard_conforming_strings = on;
SELECT pg_catalog.set_config('search_path', '', false);
SET check_function_bodies = false;
SET xmloption = content;
SET client_min_messages = warning;
SET row_security = off;

SET default_tablespace = '';

SET default_table_access_method = heap;

CREATE TABLE public.changes (
    site_id text NOT NULL,
    revision integer NOT NULL,
    change_id uuid NOT NULL,
    change jsonb NOT NULL,
    inverse jsonb NOT NULL,
    words text NOT NULL,
    made_at timestamp with time zone DEFAULT CURRENT_TIMESTAMP NOT NULL
);

COMMENT ON COLUMN public.changes.revision IS 'of the site after the change';

COMMENT ON COLUMN public.changes.change_id IS 'chosen by who made it, so that posting twice is making once';

CREATE TABLE public.content_uses (
    site_id text NOT NULL,
    key text NOT NULL
);

COMMENT ON COLUMN public.content_uses.key IS 'that the site has, or had once';

CREATE TABLE public.contents (
    key text NOT NULL,
    bytes bytea NOT NULL,
    size integer DEFAULT 0 NOT NULL,
    checked text[] DEFAULT '{}'::text[] NOT NULL,
    kept_at timestamp with time zone DEFAULT CURRENT_TIMESTAMP NOT NULL
);

COMMENT ON COLUMN public.contents.key IS 'SHA-256 of the bytes';

COMMENT ON COLUMN public.contents.size IS 'in bytes';

COMMENT ON COLUMN public.contents.checked IS 'endings of file names under which they were checked';

CREATE TABLE public.edits_made (
    site_id text NOT NULL,
    edit_id uuid NOT NULL,
    revision integer NOT NULL
);

COMMENT ON COLUMN public.edits_made.edit_id IS 'chosen by who made it, so that posting twice is making once';

COMMENT ON COLUMN public.edits_made.revision IS 'of the site after the edit';

CREATE TABLE public.entries (
    site_id text NOT NULL,
    id text NOT NULL,
    kind text NOT NULL,
    parent_id text,
    place integer NOT NULL,
    label text DEFAULT ''::text NOT NULL,
    file_name text DEFAULT ''::text NOT NULL,
    note text DEFAULT ''::text NOT NULL,
    in_menu boolean DEFAULT true NOT NULL,
    title text,
    heading text,
    description text,
    banner_file text,
    banner_alt text,
    state text,
    in_order boolean,
    body text,
    body_changed date,
    target_url text,
    target_entry text,
    target_fragment text,
    pin jsonb,
    banner_text text,
    target_file text,
    seen jsonb,
    CONSTRAINT fields_of_kind CHECK (
CASE
    WHEN (kind = 'page'::text) THEN ((title <> ''::text) AND (num_nulls(heading, description, state, in_order, body) = 0))
    ELSE ((label <> ''::text) AND (num_nonnulls(title, heading, description, state, in_order, body, body_changed, banner_file) = 0))
END),
    CONSTRAINT home_is_a_page CHECK (((parent_id IS NOT NULL) OR ((kind = 'page'::text) AND (place = 0) AND (state <> 'planned'::text)))),
    CONSTRAINT known_kind CHECK ((kind = ANY (ARRAY['page'::text, 'group'::text, 'link'::text]))),
    CONSTRAINT known_state CHECK ((state = ANY (ARRAY['planned'::text, 'draft'::text, 'ready'::text]))),
    CONSTRAINT links_have_one_target CHECK (
CASE
    WHEN (kind = 'link'::text) THEN (num_nonnulls(target_url, target_entry, target_file) = 1)
    ELSE (num_nonnulls(target_url, target_entry, target_file, target_fragment) = 0)
END),
    CONSTRAINT not_its_own_parent CHECK ((parent_id <> id)),
    CONSTRAINT only_pages_are_pinned CHECK (((pin IS NULL) OR (kind = 'page'::text))),
    CONSTRAINT only_pages_are_seen CHECK (((seen IS NULL) OR (kind = 'page'::text))),
    CONSTRAINT place_counts_from_0 CHECK ((place >= 0)),
    CONSTRAINT text_on_a_banner CHECK (((banner_text IS NULL) OR (banner_file IS NOT NULL)))
);

COMMENT ON COLUMN public.entries.parent_id IS 'null for the home page alone';

COMMENT ON COLUMN public.entries.place IS 'among its siblings, from 0';

COMMENT ON COLUMN public.entries.target_entry IS 'may name an entry that was removed: the link is then dead, and mended by undo';

COMMENT ON COLUMN public.entries.target_file IS 'may name a file that was removed: the link is then dead, and mended by undo';

CREATE TABLE public.files (
    site_id text NOT NULL,
    id text NOT NULL,
    path text NOT NULL,
    content text NOT NULL,
    size integer DEFAULT 0 NOT NULL,
    alt text DEFAULT ''::text NOT NULL,
    CONSTRAINT size_is_counted CHECK ((size >= 0))
);

COMMENT ON COLUMN public.files.size IS 'in bytes';

CREATE TABLE public.knex_migrations (
    id integer NOT NULL,
    name character varying(255),
    batch integer,
    migration_time timestamp with time zone
);

CREATE SEQUENCE public.knex_migrations_id_seq
    AS integer
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;

ALTER SEQUENCE public.knex_migrations_id_seq OWNED BY public.knex_migrations.id;

CREATE TABLE public.knex_migrations_lock (
    index integer NOT NULL,
    is_locked integer
);

CREATE SEQUENCE public.knex_migrations_lock_index_seq
    AS integer
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;

ALTER SEQUENCE public.knex_migrations_lock_index_seq OWNED BY public.knex_migrations_lock.index;

CREATE TABLE public.sites (
    id text NOT NULL,
    home_id text NOT NULL,
    settings jsonb NOT NULL,
    revision integer DEFAULT 0 NOT NULL,
    changed_at timestamp with time zone DEFAULT CURRENT_TIMESTAMP NOT NULL,
    surround jsonb NOT NULL,
    stamp uuid,
    CONSTRAINT revision_counts_up CHECK ((revision >= 0)),
    CONSTRAINT site_has_name CHECK (((settings ->> 'name'::text) <> ''::text))
);

COMMENT ON COLUMN public.sites.stamp IS 'of the last edit: the same revision of another history has another one';

CREATE TABLE public.states (
    site_id text NOT NULL,
    revision integer NOT NULL,
    state bytea NOT NULL
);

COMMENT ON COLUMN public.states.state IS 'the whole site as JSON, gzipped';

ALTER TABLE ONLY public.knex_migrations ALTER COLUMN id SET DEFAULT nextval('public.knex_migrations_id_seq'::regclass);

ALTER TABLE ONLY public.knex_migrations_lock ALTER COLUMN index SET DEFAULT nextval('public.knex_migrations_lock_index_seq'::regclass);

INSERT INTO public.changes VALUES ('e593d7012686fee8', 1, '00000000-0000-4000-8000-000000000000', '{"kind": "add", "place": 0, "parent": "home", "branches": [{"id": "walks", "pin": null, "body": {"html": "", "changed": ""}, "kind": "page", "note": "", "seen": null, "label": "", "state": "draft", "title": "Walks", "banner": null, "inMenu": true, "entries": [{"id": "locks", "pin": null, "body": {"html": "", "changed": ""}, "kind": "page", "note": "", "seen": null, "label": "", "state": "draft", "title": "Locks", "banner": null, "inMenu": true, "entries": [], "heading": "", "inOrder": true, "fileName": "", "description": ""}, {"id": "more", "kind": "group", "note": "", "label": "More", "inMenu": true, "entries": [{"id": "tea", "pin": null, "body": {"html": "", "changed": ""}, "kind": "page", "note": "", "seen": null, "label": "", "state": "draft", "title": "Tea", "banner": null, "inMenu": true, "entries": [], "heading": "", "inOrder": true, "fileName": "", "description": ""}], "fileName": ""}], "heading": "", "inOrder": true, "fileName": "", "description": ""}, {"id": "visit", "pin": null, "body": {"html": "", "changed": ""}, "kind": "page", "note": "", "seen": null, "label": "", "state": "draft", "title": "Visit", "banner": null, "inMenu": true, "entries": [], "heading": "", "inOrder": true, "fileName": "", "description": ""}, {"id": "shop", "kind": "link", "note": "", "label": "Shop", "inMenu": true, "target": {"to": "address", "url": "https://shop.example.org/"}, "entries": []}]}', '{"kind": "remove", "entries": ["walks", "visit", "shop"]}', '6 entries added under “Home”', '2026-12-01 13:47:39.214762+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 2, '00000000-0000-4000-8000-000000000001', '{"kind": "setEntry", "entry": "walks", "field": "description", "value": "Where to walk."}', '{"kind": "setEntry", "entry": "walks", "field": "description", "value": ""}', '“Walks”: description changed', '2026-12-01 13:47:39.227389+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 3, '00000000-0000-4000-8000-000000000002', '{"kind": "remove", "entries": ["tea"]}', '{"kind": "batch", "changes": [{"kind": "add", "place": 0, "parent": "more", "branches": [{"id": "tea", "pin": null, "body": {"html": "", "changed": ""}, "kind": "page", "note": "", "seen": null, "label": "", "state": "draft", "title": "Tea", "banner": null, "inMenu": true, "entries": [], "heading": "", "inOrder": true, "fileName": "", "description": ""}]}]}', '“Tea” removed', '2026-12-01 13:47:39.233042+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 4, '00000000-0000-4000-8000-000000000003', '{"kind": "remove", "entries": ["visit"]}', '{"kind": "batch", "changes": [{"kind": "add", "place": 1, "parent": "home", "branches": [{"id": "visit", "pin": null, "body": {"html": "", "changed": ""}, "kind": "page", "note": "", "seen": null, "label": "", "state": "draft", "title": "Visit", "banner": null, "inMenu": true, "entries": [], "heading": "", "inOrder": true, "fileName": "", "description": ""}]}]}', '“Visit” removed', '2026-12-01 13:47:39.24109+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 5, '00000000-0000-4000-8000-000000000004', '{"kind": "move", "entry": "locks", "place": 0, "parent": "home"}', '{"kind": "move", "entry": "locks", "place": 0, "parent": "walks"}', '“Locks” moved under “Home”', '2026-12-01 13:47:39.24644+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 6, '00000000-0000-4000-8000-000000000005', '{"kind": "setSite", "field": "tagline", "value": "A tagline"}', '{"back": true, "kind": "setSite", "field": "tagline", "value": ""}', 'Tagline changed', '2026-12-01 13:47:39.252582+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 7, '00000000-0000-4000-8000-000000000006', '{"kind": "remove", "entries": ["walks"]}', '{"kind": "batch", "changes": [{"kind": "add", "place": 1, "parent": "home", "branches": [{"id": "walks", "pin": null, "body": {"html": "", "changed": ""}, "kind": "page", "note": "", "seen": null, "label": "", "state": "draft", "title": "Walks", "banner": null, "inMenu": true, "entries": [{"id": "more", "kind": "group", "note": "", "label": "More", "inMenu": true, "entries": [], "fileName": ""}], "heading": "", "inOrder": true, "fileName": "", "description": "Where to walk."}]}]}', '“Walks” and the entry under it removed', '2026-12-01 13:47:39.256477+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 8, '00000000-0000-4000-8000-000000000007', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 0"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": ""}', '“Locks”: note changed', '2026-12-01 13:47:39.262649+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 9, '00000000-0000-4000-8000-000000000008', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 1"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 0"}', '“Locks”: note changed', '2026-12-01 13:47:39.26801+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 10, '00000000-0000-4000-8000-000000000009', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 2"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 1"}', '“Locks”: note changed', '2026-12-01 13:47:39.273836+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 11, '00000000-0000-4000-8000-000000000010', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 3"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 2"}', '“Locks”: note changed', '2026-12-01 13:47:39.278759+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 12, '00000000-0000-4000-8000-000000000011', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 4"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 3"}', '“Locks”: note changed', '2026-12-01 13:47:39.282928+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 13, '00000000-0000-4000-8000-000000000012', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 5"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 4"}', '“Locks”: note changed', '2026-12-01 13:47:39.287496+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 14, '00000000-0000-4000-8000-000000000013', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 6"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 5"}', '“Locks”: note changed', '2026-12-01 13:47:39.291736+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 15, '00000000-0000-4000-8000-000000000014', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 7"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 6"}', '“Locks”: note changed', '2026-12-01 13:47:39.296135+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 16, '00000000-0000-4000-8000-000000000015', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 8"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 7"}', '“Locks”: note changed', '2026-12-01 13:47:39.300618+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 17, '00000000-0000-4000-8000-000000000016', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 9"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 8"}', '“Locks”: note changed', '2026-12-01 13:47:39.306505+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 18, '00000000-0000-4000-8000-000000000017', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 10"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 9"}', '“Locks”: note changed', '2026-12-01 13:47:39.31052+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 19, '00000000-0000-4000-8000-000000000018', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 11"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 10"}', '“Locks”: note changed', '2026-12-01 13:47:39.314448+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 20, '00000000-0000-4000-8000-000000000019', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 12"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 11"}', '“Locks”: note changed', '2026-12-01 13:47:39.318464+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 21, '00000000-0000-4000-8000-000000000020', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 13"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 12"}', '“Locks”: note changed', '2026-12-01 13:47:39.322716+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 22, '00000000-0000-4000-8000-000000000021', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 14"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 13"}', '“Locks”: note changed', '2026-12-01 13:47:39.328762+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 23, '00000000-0000-4000-8000-000000000022', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 15"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 14"}', '“Locks”: note changed', '2026-12-01 13:47:39.333752+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 24, '00000000-0000-4000-8000-000000000023', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 16"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 15"}', '“Locks”: note changed', '2026-12-01 13:47:39.33787+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 25, '00000000-0000-4000-8000-000000000024', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 17"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 16"}', '“Locks”: note changed', '2026-12-01 13:47:39.343757+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 26, '00000000-0000-4000-8000-000000000025', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 18"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 17"}', '“Locks”: note changed', '2026-12-01 13:47:39.34813+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 27, '00000000-0000-4000-8000-000000000026', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 19"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 18"}', '“Locks”: note changed', '2026-12-01 13:47:39.356514+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 28, '00000000-0000-4000-8000-000000000027', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 20"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 19"}', '“Locks”: note changed', '2026-12-01 13:47:39.360383+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 29, '00000000-0000-4000-8000-000000000028', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 21"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 20"}', '“Locks”: note changed', '2026-12-01 13:47:39.364495+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 30, '00000000-0000-4000-8000-000000000029', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 22"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 21"}', '“Locks”: note changed', '2026-12-01 13:47:39.371706+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 31, '00000000-0000-4000-8000-000000000030', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 23"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 22"}', '“Locks”: note changed', '2026-12-01 13:47:39.375642+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 32, '00000000-0000-4000-8000-000000000031', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 24"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 23"}', '“Locks”: note changed', '2026-12-01 13:47:39.379377+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 33, '00000000-0000-4000-8000-000000000032', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 25"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 24"}', '“Locks”: note changed', '2026-12-01 13:47:39.38288+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 34, '00000000-0000-4000-8000-000000000033', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 26"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 25"}', '“Locks”: note changed', '2026-12-01 13:47:39.388589+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 35, '00000000-0000-4000-8000-000000000034', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 27"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 26"}', '“Locks”: note changed', '2026-12-01 13:47:39.393486+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 36, '00000000-0000-4000-8000-000000000035', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 28"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 27"}', '“Locks”: note changed', '2026-12-01 13:47:39.400665+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 37, '00000000-0000-4000-8000-000000000036', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 29"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 28"}', '“Locks”: note changed', '2026-12-01 13:47:39.406838+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 38, '00000000-0000-4000-8000-000000000037', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 30"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 29"}', '“Locks”: note changed', '2026-12-01 13:47:39.412661+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 39, '00000000-0000-4000-8000-000000000038', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 31"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 30"}', '“Locks”: note changed', '2026-12-01 13:47:39.417204+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 40, '00000000-0000-4000-8000-000000000039', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 32"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 31"}', '“Locks”: note changed', '2026-12-01 13:47:39.421789+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 41, '00000000-0000-4000-8000-000000000040', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 33"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 32"}', '“Locks”: note changed', '2026-12-01 13:47:39.426527+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 42, '00000000-0000-4000-8000-000000000041', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 34"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 33"}', '“Locks”: note changed', '2026-12-01 13:47:39.430793+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 43, '00000000-0000-4000-8000-000000000042', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 35"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 34"}', '“Locks”: note changed', '2026-12-01 13:47:39.43521+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 44, '00000000-0000-4000-8000-000000000043', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 36"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 35"}', '“Locks”: note changed', '2026-12-01 13:47:39.439359+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 45, '00000000-0000-4000-8000-000000000044', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 37"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 36"}', '“Locks”: note changed', '2026-12-01 13:47:39.443597+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 46, '00000000-0000-4000-8000-000000000045', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 38"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 37"}', '“Locks”: note changed', '2026-12-01 13:47:39.447711+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 47, '00000000-0000-4000-8000-000000000046', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 39"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 38"}', '“Locks”: note changed', '2026-12-01 13:47:39.452987+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 48, '00000000-0000-4000-8000-000000000047', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 40"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 39"}', '“Locks”: note changed', '2026-12-01 13:47:39.457432+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 49, '00000000-0000-4000-8000-000000000048', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 41"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 40"}', '“Locks”: note changed', '2026-12-01 13:47:39.461834+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 50, '00000000-0000-4000-8000-000000000049', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 42"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 41"}', '“Locks”: note changed', '2026-12-01 13:47:39.466106+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 51, '00000000-0000-4000-8000-000000000050', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 43"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 42"}', '“Locks”: note changed', '2026-12-01 13:47:39.470629+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 52, '00000000-0000-4000-8000-000000000051', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 44"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 43"}', '“Locks”: note changed', '2026-12-01 13:47:39.474938+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 53, '00000000-0000-4000-8000-000000000052', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 45"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 44"}', '“Locks”: note changed', '2026-12-01 13:47:39.47938+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 54, '00000000-0000-4000-8000-000000000053', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 46"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 45"}', '“Locks”: note changed', '2026-12-01 13:47:39.487073+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 55, '00000000-0000-4000-8000-000000000054', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 47"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 46"}', '“Locks”: note changed', '2026-12-01 13:47:39.491252+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 56, '00000000-0000-4000-8000-000000000055', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 48"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 47"}', '“Locks”: note changed', '2026-12-01 13:47:39.495511+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 57, '00000000-0000-4000-8000-000000000056', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 49"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 48"}', '“Locks”: note changed', '2026-12-01 13:47:39.499667+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 58, '00000000-0000-4000-8000-000000000057', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 50"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 49"}', '“Locks”: note changed', '2026-12-01 13:47:39.5037+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 59, '00000000-0000-4000-8000-000000000058', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 51"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 50"}', '“Locks”: note changed', '2026-12-01 13:47:39.507666+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 60, '00000000-0000-4000-8000-000000000059', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 52"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 51"}', '“Locks”: note changed', '2026-12-01 13:47:39.511678+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 61, '00000000-0000-4000-8000-000000000060', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 53"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 52"}', '“Locks”: note changed', '2026-12-01 13:47:39.516109+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 62, '00000000-0000-4000-8000-000000000061', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 54"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 53"}', '“Locks”: note changed', '2026-12-01 13:47:39.522405+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 63, '00000000-0000-4000-8000-000000000062', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 55"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 54"}', '“Locks”: note changed', '2026-12-01 13:47:39.527874+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 64, '00000000-0000-4000-8000-000000000063', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 56"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 55"}', '“Locks”: note changed', '2026-12-01 13:47:39.535923+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 65, '00000000-0000-4000-8000-000000000064', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 57"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 56"}', '“Locks”: note changed', '2026-12-01 13:47:39.540251+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 66, '00000000-0000-4000-8000-000000000065', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 58"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 57"}', '“Locks”: note changed', '2026-12-01 13:47:39.544306+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 67, '00000000-0000-4000-8000-000000000066', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 59"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 58"}', '“Locks”: note changed', '2026-12-01 13:47:39.548199+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 68, '00000000-0000-4000-8000-000000000067', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 60"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 59"}', '“Locks”: note changed', '2026-12-01 13:47:39.553908+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 69, '00000000-0000-4000-8000-000000000068', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 61"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 60"}', '“Locks”: note changed', '2026-12-01 13:47:39.558781+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 70, '00000000-0000-4000-8000-000000000069', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 62"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 61"}', '“Locks”: note changed', '2026-12-01 13:47:39.564695+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 71, '00000000-0000-4000-8000-000000000070', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 63"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 62"}', '“Locks”: note changed', '2026-12-01 13:47:39.570219+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 72, '00000000-0000-4000-8000-000000000071', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 64"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 63"}', '“Locks”: note changed', '2026-12-01 13:47:39.574355+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 73, '00000000-0000-4000-8000-000000000072', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 65"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 64"}', '“Locks”: note changed', '2026-12-01 13:47:39.578339+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 74, '00000000-0000-4000-8000-000000000073', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 66"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 65"}', '“Locks”: note changed', '2026-12-01 13:47:39.582362+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 75, '00000000-0000-4000-8000-000000000074', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 67"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 66"}', '“Locks”: note changed', '2026-12-01 13:47:39.586329+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 76, '00000000-0000-4000-8000-000000000075', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 68"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 67"}', '“Locks”: note changed', '2026-12-01 13:47:39.590878+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 77, '00000000-0000-4000-8000-000000000076', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 69"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 68"}', '“Locks”: note changed', '2026-12-01 13:47:39.595492+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 78, '00000000-0000-4000-8000-000000000077', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 70"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 69"}', '“Locks”: note changed', '2026-12-01 13:47:39.600911+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 79, '00000000-0000-4000-8000-000000000078', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 71"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 70"}', '“Locks”: note changed', '2026-12-01 13:47:39.608009+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 80, '00000000-0000-4000-8000-000000000079', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 72"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 71"}', '“Locks”: note changed', '2026-12-01 13:47:39.613613+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 81, '00000000-0000-4000-8000-000000000080', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 73"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 72"}', '“Locks”: note changed', '2026-12-01 13:47:39.621418+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 82, '00000000-0000-4000-8000-000000000081', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 74"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 73"}', '“Locks”: note changed', '2026-12-01 13:47:39.628166+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 83, '00000000-0000-4000-8000-000000000082', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 75"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 74"}', '“Locks”: note changed', '2026-12-01 13:47:39.634006+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 84, '00000000-0000-4000-8000-000000000083', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 76"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 75"}', '“Locks”: note changed', '2026-12-01 13:47:39.639337+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 85, '00000000-0000-4000-8000-000000000084', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 77"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 76"}', '“Locks”: note changed', '2026-12-01 13:47:39.647591+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 86, '00000000-0000-4000-8000-000000000085', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 78"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 77"}', '“Locks”: note changed', '2026-12-01 13:47:39.653938+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 87, '00000000-0000-4000-8000-000000000086', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 79"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 78"}', '“Locks”: note changed', '2026-12-01 13:47:39.659666+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 88, '00000000-0000-4000-8000-000000000087', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 80"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 79"}', '“Locks”: note changed', '2026-12-01 13:47:39.665206+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 89, '00000000-0000-4000-8000-000000000088', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 81"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 80"}', '“Locks”: note changed', '2026-12-01 13:47:39.674141+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 90, '00000000-0000-4000-8000-000000000089', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 82"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 81"}', '“Locks”: note changed', '2026-12-01 13:47:39.67928+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 91, '00000000-0000-4000-8000-000000000090', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 83"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 82"}', '“Locks”: note changed', '2026-12-01 13:47:39.684422+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 92, '00000000-0000-4000-8000-000000000091', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 84"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 83"}', '“Locks”: note changed', '2026-12-01 13:47:39.689601+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 93, '00000000-0000-4000-8000-000000000092', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 85"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 84"}', '“Locks”: note changed', '2026-12-01 13:47:39.695261+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 94, '00000000-0000-4000-8000-000000000093', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 86"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 85"}', '“Locks”: note changed', '2026-12-01 13:47:39.700177+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 95, '00000000-0000-4000-8000-000000000094', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 87"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 86"}', '“Locks”: note changed', '2026-12-01 13:47:39.706069+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 96, '00000000-0000-4000-8000-000000000095', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 88"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 87"}', '“Locks”: note changed', '2026-12-01 13:47:39.711709+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 97, '00000000-0000-4000-8000-000000000096', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 89"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 88"}', '“Locks”: note changed', '2026-12-01 13:47:39.716518+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 98, '00000000-0000-4000-8000-000000000097', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 90"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 89"}', '“Locks”: note changed', '2026-12-01 13:47:39.722861+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 99, '00000000-0000-4000-8000-000000000098', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 91"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 90"}', '“Locks”: note changed', '2026-12-01 13:47:39.730979+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 100, '00000000-0000-4000-8000-000000000099', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 92"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 91"}', '“Locks”: note changed', '2026-12-01 13:47:39.735964+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 101, '00000000-0000-4000-8000-000000000100', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 93"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 92"}', '“Locks”: note changed', '2026-12-01 13:47:39.741295+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 102, '00000000-0000-4000-8000-000000000101', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 94"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 93"}', '“Locks”: note changed', '2026-12-01 13:47:39.749673+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 103, '00000000-0000-4000-8000-000000000102', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 95"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 94"}', '“Locks”: note changed', '2026-12-01 13:47:39.755416+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 104, '00000000-0000-4000-8000-000000000103', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 96"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 95"}', '“Locks”: note changed', '2026-12-01 13:47:39.76147+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 105, '00000000-0000-4000-8000-000000000104', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 97"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 96"}', '“Locks”: note changed', '2026-12-01 13:47:39.766645+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 106, '00000000-0000-4000-8000-000000000105', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 98"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 97"}', '“Locks”: note changed', '2026-12-01 13:47:39.77442+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 107, '00000000-0000-4000-8000-000000000106', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 99"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 98"}', '“Locks”: note changed', '2026-12-01 13:47:39.779938+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 108, '00000000-0000-4000-8000-000000000107', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 100"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 99"}', '“Locks”: note changed', '2026-12-01 13:47:39.785002+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 109, '00000000-0000-4000-8000-000000000108', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 101"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 100"}', '“Locks”: note changed', '2026-12-01 13:47:39.790533+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 110, '00000000-0000-4000-8000-000000000109', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 102"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 101"}', '“Locks”: note changed', '2026-12-01 13:47:39.799305+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 111, '00000000-0000-4000-8000-000000000110', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 103"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 102"}', '“Locks”: note changed', '2026-12-01 13:47:39.80456+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 112, '00000000-0000-4000-8000-000000000111', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 104"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 103"}', '“Locks”: note changed', '2026-12-01 13:47:39.809945+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 113, '00000000-0000-4000-8000-000000000112', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 105"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 104"}', '“Locks”: note changed', '2026-12-01 13:47:39.821345+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 114, '00000000-0000-4000-8000-000000000113', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 106"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 105"}', '“Locks”: note changed', '2026-12-01 13:47:39.827406+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 115, '00000000-0000-4000-8000-000000000114', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 107"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 106"}', '“Locks”: note changed', '2026-12-01 13:47:39.833705+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 116, '00000000-0000-4000-8000-000000000115', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 108"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 107"}', '“Locks”: note changed', '2026-12-01 13:47:39.8403+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 117, '00000000-0000-4000-8000-000000000116', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 109"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 108"}', '“Locks”: note changed', '2026-12-01 13:47:39.852639+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 118, '00000000-0000-4000-8000-000000000117', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 110"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 109"}', '“Locks”: note changed', '2026-12-01 13:47:39.860202+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 119, '00000000-0000-4000-8000-000000000118', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 111"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 110"}', '“Locks”: note changed', '2026-12-01 13:47:39.865649+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 120, '00000000-0000-4000-8000-000000000119', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 112"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 111"}', '“Locks”: note changed', '2026-12-01 13:47:39.871255+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 121, '00000000-0000-4000-8000-000000000120', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 113"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 112"}', '“Locks”: note changed', '2026-12-01 13:47:39.876909+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 122, '00000000-0000-4000-8000-000000000121', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 114"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 113"}', '“Locks”: note changed', '2026-12-01 13:47:39.88379+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 123, '00000000-0000-4000-8000-000000000122', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 115"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 114"}', '“Locks”: note changed', '2026-12-01 13:47:39.889229+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 124, '00000000-0000-4000-8000-000000000123', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 116"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 115"}', '“Locks”: note changed', '2026-12-01 13:47:39.894622+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 125, '00000000-0000-4000-8000-000000000124', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 117"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 116"}', '“Locks”: note changed', '2026-12-01 13:47:39.900099+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 126, '00000000-0000-4000-8000-000000000125', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 118"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 117"}', '“Locks”: note changed', '2026-12-01 13:47:39.90585+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 127, '00000000-0000-4000-8000-000000000126', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 119"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 118"}', '“Locks”: note changed', '2026-12-01 13:47:39.913125+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 128, '00000000-0000-4000-8000-000000000127', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 120"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 119"}', '“Locks”: note changed', '2026-12-01 13:47:39.917619+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 129, '00000000-0000-4000-8000-000000000128', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 121"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 120"}', '“Locks”: note changed', '2026-12-01 13:47:39.922405+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 130, '00000000-0000-4000-8000-000000000129', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 122"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 121"}', '“Locks”: note changed', '2026-12-01 13:47:39.92787+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 131, '00000000-0000-4000-8000-000000000130', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 123"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 122"}', '“Locks”: note changed', '2026-12-01 13:47:39.9347+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 132, '00000000-0000-4000-8000-000000000131', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 124"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 123"}', '“Locks”: note changed', '2026-12-01 13:47:39.94012+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 133, '00000000-0000-4000-8000-000000000132', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 125"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 124"}', '“Locks”: note changed', '2026-12-01 13:47:39.949321+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 134, '00000000-0000-4000-8000-000000000133', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 126"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 125"}', '“Locks”: note changed', '2026-12-01 13:47:39.957944+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 135, '00000000-0000-4000-8000-000000000134', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 127"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 126"}', '“Locks”: note changed', '2026-12-01 13:47:39.963325+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 136, '00000000-0000-4000-8000-000000000135', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 128"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 127"}', '“Locks”: note changed', '2026-12-01 13:47:39.968114+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 137, '00000000-0000-4000-8000-000000000136', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 129"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 128"}', '“Locks”: note changed', '2026-12-01 13:47:39.972747+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 138, '00000000-0000-4000-8000-000000000137', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 130"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 129"}', '“Locks”: note changed', '2026-12-01 13:47:39.977381+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 139, '00000000-0000-4000-8000-000000000138', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 131"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 130"}', '“Locks”: note changed', '2026-12-01 13:47:39.98801+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 140, '00000000-0000-4000-8000-000000000139', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 132"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 131"}', '“Locks”: note changed', '2026-12-01 13:47:39.99619+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 141, '00000000-0000-4000-8000-000000000140', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 133"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 132"}', '“Locks”: note changed', '2026-12-01 13:47:40.000336+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 142, '00000000-0000-4000-8000-000000000141', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 134"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 133"}', '“Locks”: note changed', '2026-12-01 13:47:40.003888+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 143, '00000000-0000-4000-8000-000000000142', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 135"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 134"}', '“Locks”: note changed', '2026-12-01 13:47:40.007586+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 144, '00000000-0000-4000-8000-000000000143', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 136"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 135"}', '“Locks”: note changed', '2026-12-01 13:47:40.018602+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 145, '00000000-0000-4000-8000-000000000144', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 137"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 136"}', '“Locks”: note changed', '2026-12-01 13:47:40.024457+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 146, '00000000-0000-4000-8000-000000000145', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 138"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 137"}', '“Locks”: note changed', '2026-12-01 13:47:40.033249+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 147, '00000000-0000-4000-8000-000000000146', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 139"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 138"}', '“Locks”: note changed', '2026-12-01 13:47:40.037048+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 148, '00000000-0000-4000-8000-000000000147', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 140"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 139"}', '“Locks”: note changed', '2026-12-01 13:47:40.040697+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 149, '00000000-0000-4000-8000-000000000148', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 141"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 140"}', '“Locks”: note changed', '2026-12-01 13:47:40.044399+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 150, '00000000-0000-4000-8000-000000000149', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 142"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 141"}', '“Locks”: note changed', '2026-12-01 13:47:40.048366+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 151, '00000000-0000-4000-8000-000000000150', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 143"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 142"}', '“Locks”: note changed', '2026-12-01 13:47:40.053021+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 152, '00000000-0000-4000-8000-000000000151', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 144"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 143"}', '“Locks”: note changed', '2026-12-01 13:47:40.05747+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 153, '00000000-0000-4000-8000-000000000152', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 145"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 144"}', '“Locks”: note changed', '2026-12-01 13:47:40.061981+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 154, '00000000-0000-4000-8000-000000000153', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 146"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 145"}', '“Locks”: note changed', '2026-12-01 13:47:40.066376+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 155, '00000000-0000-4000-8000-000000000154', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 147"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 146"}', '“Locks”: note changed', '2026-12-01 13:47:40.074906+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 156, '00000000-0000-4000-8000-000000000155', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 148"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 147"}', '“Locks”: note changed', '2026-12-01 13:47:40.080622+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 157, '00000000-0000-4000-8000-000000000156', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 149"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 148"}', '“Locks”: note changed', '2026-12-01 13:47:40.087599+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 158, '00000000-0000-4000-8000-000000000157', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 150"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 149"}', '“Locks”: note changed', '2026-12-01 13:47:40.09251+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 159, '00000000-0000-4000-8000-000000000158', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 151"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 150"}', '“Locks”: note changed', '2026-12-01 13:47:40.099514+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 160, '00000000-0000-4000-8000-000000000159', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 152"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 151"}', '“Locks”: note changed', '2026-12-01 13:47:40.104183+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 161, '00000000-0000-4000-8000-000000000160', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 153"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 152"}', '“Locks”: note changed', '2026-12-01 13:47:40.10896+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 162, '00000000-0000-4000-8000-000000000161', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 154"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 153"}', '“Locks”: note changed', '2026-12-01 13:47:40.114307+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 163, '00000000-0000-4000-8000-000000000162', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 155"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 154"}', '“Locks”: note changed', '2026-12-01 13:47:40.125316+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 164, '00000000-0000-4000-8000-000000000163', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 156"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 155"}', '“Locks”: note changed', '2026-12-01 13:47:40.132406+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 165, '00000000-0000-4000-8000-000000000164', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 157"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 156"}', '“Locks”: note changed', '2026-12-01 13:47:40.136382+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 166, '00000000-0000-4000-8000-000000000165', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 158"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 157"}', '“Locks”: note changed', '2026-12-01 13:47:40.140366+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 167, '00000000-0000-4000-8000-000000000166', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 159"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 158"}', '“Locks”: note changed', '2026-12-01 13:47:40.144391+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 168, '00000000-0000-4000-8000-000000000167', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 160"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 159"}', '“Locks”: note changed', '2026-12-01 13:47:40.152008+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 169, '00000000-0000-4000-8000-000000000168', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 161"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 160"}', '“Locks”: note changed', '2026-12-01 13:47:40.159013+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 170, '00000000-0000-4000-8000-000000000169', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 162"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 161"}', '“Locks”: note changed', '2026-12-01 13:47:40.165286+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 171, '00000000-0000-4000-8000-000000000170', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 163"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 162"}', '“Locks”: note changed', '2026-12-01 13:47:40.169774+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 172, '00000000-0000-4000-8000-000000000171', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 164"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 163"}', '“Locks”: note changed', '2026-12-01 13:47:40.180343+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 173, '00000000-0000-4000-8000-000000000172', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 165"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 164"}', '“Locks”: note changed', '2026-12-01 13:47:40.185535+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 174, '00000000-0000-4000-8000-000000000173', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 166"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 165"}', '“Locks”: note changed', '2026-12-01 13:47:40.190005+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 175, '00000000-0000-4000-8000-000000000174', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 167"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 166"}', '“Locks”: note changed', '2026-12-01 13:47:40.197182+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 176, '00000000-0000-4000-8000-000000000175', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 168"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 167"}', '“Locks”: note changed', '2026-12-01 13:47:40.211851+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 177, '00000000-0000-4000-8000-000000000176', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 169"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 168"}', '“Locks”: note changed', '2026-12-01 13:47:40.216731+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 178, '00000000-0000-4000-8000-000000000177', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 170"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 169"}', '“Locks”: note changed', '2026-12-01 13:47:40.220986+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 179, '00000000-0000-4000-8000-000000000178', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 171"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 170"}', '“Locks”: note changed', '2026-12-01 13:47:40.225272+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 180, '00000000-0000-4000-8000-000000000179', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 172"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 171"}', '“Locks”: note changed', '2026-12-01 13:47:40.229711+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 181, '00000000-0000-4000-8000-000000000180', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 173"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 172"}', '“Locks”: note changed', '2026-12-01 13:47:40.234179+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 182, '00000000-0000-4000-8000-000000000181', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 174"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 173"}', '“Locks”: note changed', '2026-12-01 13:47:40.239286+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 183, '00000000-0000-4000-8000-000000000182', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 175"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 174"}', '“Locks”: note changed', '2026-12-01 13:47:40.243592+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 184, '00000000-0000-4000-8000-000000000183', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 176"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 175"}', '“Locks”: note changed', '2026-12-01 13:47:40.247777+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 185, '00000000-0000-4000-8000-000000000184', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 177"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 176"}', '“Locks”: note changed', '2026-12-01 13:47:40.251998+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 186, '00000000-0000-4000-8000-000000000185', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 178"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 177"}', '“Locks”: note changed', '2026-12-01 13:47:40.257957+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 187, '00000000-0000-4000-8000-000000000186', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 179"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 178"}', '“Locks”: note changed', '2026-12-01 13:47:40.266458+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 188, '00000000-0000-4000-8000-000000000187', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 180"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 179"}', '“Locks”: note changed', '2026-12-01 13:47:40.272405+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 189, '00000000-0000-4000-8000-000000000188', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 181"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 180"}', '“Locks”: note changed', '2026-12-01 13:47:40.278288+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 190, '00000000-0000-4000-8000-000000000189', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 182"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 181"}', '“Locks”: note changed', '2026-12-01 13:47:40.284201+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 191, '00000000-0000-4000-8000-000000000190', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 183"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 182"}', '“Locks”: note changed', '2026-12-01 13:47:40.288754+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 192, '00000000-0000-4000-8000-000000000191', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 184"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 183"}', '“Locks”: note changed', '2026-12-01 13:47:40.298021+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 193, '00000000-0000-4000-8000-000000000192', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 185"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 184"}', '“Locks”: note changed', '2026-12-01 13:47:40.303184+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 194, '00000000-0000-4000-8000-000000000193', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 186"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 185"}', '“Locks”: note changed', '2026-12-01 13:47:40.309446+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 195, '00000000-0000-4000-8000-000000000194', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 187"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 186"}', '“Locks”: note changed', '2026-12-01 13:47:40.315276+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 196, '00000000-0000-4000-8000-000000000195', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 188"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 187"}', '“Locks”: note changed', '2026-12-01 13:47:40.32019+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 197, '00000000-0000-4000-8000-000000000196', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 189"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 188"}', '“Locks”: note changed', '2026-12-01 13:47:40.324897+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 198, '00000000-0000-4000-8000-000000000197', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 190"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 189"}', '“Locks”: note changed', '2026-12-01 13:47:40.32923+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 199, '00000000-0000-4000-8000-000000000198', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 191"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 190"}', '“Locks”: note changed', '2026-12-01 13:47:40.333794+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 200, '00000000-0000-4000-8000-000000000199', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 192"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 191"}', '“Locks”: note changed', '2026-12-01 13:47:40.339084+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 201, '00000000-0000-4000-8000-000000000200', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 193"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 192"}', '“Locks”: note changed', '2026-12-01 13:47:40.351544+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 202, '00000000-0000-4000-8000-000000000201', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 194"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 193"}', '“Locks”: note changed', '2026-12-01 13:47:40.360487+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 203, '00000000-0000-4000-8000-000000000202', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 195"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 194"}', '“Locks”: note changed', '2026-12-01 13:47:40.366586+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 204, '00000000-0000-4000-8000-000000000203', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 196"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 195"}', '“Locks”: note changed', '2026-12-01 13:47:40.376176+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 205, '00000000-0000-4000-8000-000000000204', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 197"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 196"}', '“Locks”: note changed', '2026-12-01 13:47:40.381235+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 206, '00000000-0000-4000-8000-000000000205', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 198"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 197"}', '“Locks”: note changed', '2026-12-01 13:47:40.38627+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 207, '00000000-0000-4000-8000-000000000206', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 199"}', '{"kind": "setEntry", "entry": "locks", "field": "note", "value": "Note 198"}', '“Locks”: note changed', '2026-12-01 13:47:40.391956+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 208, '00000000-0000-4000-8000-000000000207', '{"kind": "add", "place": 0, "parent": "home", "branches": [{"id": "late", "pin": null, "body": {"html": "", "changed": ""}, "kind": "page", "note": "", "seen": null, "label": "", "state": "draft", "title": "Late", "banner": null, "inMenu": true, "entries": [], "heading": "", "inOrder": true, "fileName": "", "description": ""}]}', '{"kind": "remove", "entries": ["late"]}', '“Late” added under “Home”', '2026-12-01 13:47:40.397775+00');
INSERT INTO public.changes VALUES ('e593d7012686fee8', 209, '00000000-0000-4000-8000-000000000208', '{"kind": "remove", "entries": ["late", "locks"]}', '{"kind": "batch", "changes": [{"kind": "add", "place": 0, "parent": "home", "branches": [{"id": "late", "pin": null, "body": {"html": "", "changed": ""}, "kind": "page", "note": "", "seen": null, "label": "", "state": "draft", "title": "Late", "banner": null, "inMenu": true, "entries": [], "heading": "", "inOrder": true, "fileName": "", "description": ""}, {"id": "locks", "pin": null, "body": {"html": "", "changed": ""}, "kind": "page", "note": "Note 199", "seen": null, "label": "", "state": "draft", "title": "Locks", "banner": null, "inMenu": true, "entries": [], "heading": "", "inOrder": true, "fileName": "", "description": ""}]}]}', '2 entries removed', '2026-12-01 13:47:40.405276+00');

INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000000', 1);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000001', 2);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000002', 3);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000003', 4);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000004', 5);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000005', 6);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000006', 7);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000007', 8);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000008', 9);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000009', 10);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000010', 11);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000011', 12);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000012', 13);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000013', 14);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000014', 15);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000015', 16);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000016', 17);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000017', 18);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000018', 19);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000019', 20);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000020', 21);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000021', 22);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000022', 23);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000023', 24);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000024', 25);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000025', 26);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000026', 27);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000027', 28);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000028', 29);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000029', 30);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000030', 31);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000031', 32);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000032', 33);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000033', 34);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000034', 35);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000035', 36);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000036', 37);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000037', 38);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000038', 39);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000039', 40);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000040', 41);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000041', 42);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000042', 43);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000043', 44);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000044', 45);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000045', 46);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000046', 47);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000047', 48);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000048', 49);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000049', 50);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000050', 51);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000051', 52);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000052', 53);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000053', 54);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000054', 55);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000055', 56);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000056', 57);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000057', 58);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000058', 59);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000059', 60);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000060', 61);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000061', 62);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000062', 63);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000063', 64);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000064', 65);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000065', 66);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000066', 67);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000067', 68);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000068', 69);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000069', 70);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000070', 71);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000071', 72);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000072', 73);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000073', 74);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000074', 75);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000075', 76);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000076', 77);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000077', 78);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000078', 79);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000079', 80);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000080', 81);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000081', 82);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000082', 83);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000083', 84);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000084', 85);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000085', 86);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000086', 87);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000087', 88);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000088', 89);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000089', 90);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000090', 91);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000091', 92);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000092', 93);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000093', 94);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000094', 95);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000095', 96);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000096', 97);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000097', 98);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000098', 99);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000099', 100);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000100', 101);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000101', 102);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000102', 103);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000103', 104);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000104', 105);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000105', 106);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000106', 107);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000107', 108);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000108', 109);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000109', 110);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000110', 111);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000111', 112);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000112', 113);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000113', 114);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000114', 115);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000115', 116);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000116', 117);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000117', 118);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000118', 119);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000119', 120);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000120', 121);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000121', 122);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000122', 123);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000123', 124);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000124', 125);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000125', 126);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000126', 127);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000127', 128);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000128', 129);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000129', 130);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000130', 131);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000131', 132);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000132', 133);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000133', 134);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000134', 135);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000135', 136);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000136', 137);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000137', 138);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000138', 139);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000139', 140);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000140', 141);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000141', 142);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000142', 143);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000143', 144);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000144', 145);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000145', 146);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000146', 147);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000147', 148);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000148', 149);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000149', 150);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000150', 151);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000151', 152);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000152', 153);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000153', 154);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000154', 155);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000155', 156);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000156', 157);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000157', 158);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000158', 159);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000159', 160);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000160', 161);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000161', 162);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000162', 163);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000163', 164);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000164', 165);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000165', 166);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000166', 167);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000167', 168);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000168', 169);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000169', 170);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000170', 171);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000171', 172);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000172', 173);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000173', 174);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000174', 175);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000175', 176);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000176', 177);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000177', 178);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000178', 179);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000179', 180);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000180', 181);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000181', 182);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000182', 183);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000183', 184);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000184', 185);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000185', 186);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000186', 187);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000187', 188);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000188', 189);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000189', 190);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000190', 191);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000191', 192);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000192', 193);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000193', 194);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000194', 195);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000195', 196);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000196', 197);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000197', 198);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000198', 199);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000199', 200);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000200', 201);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000201', 202);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000202', 203);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000203', 204);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000204', 205);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000205', 206);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000206', 207);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000207', 208);
INSERT INTO public.edits_made VALUES ('e593d7012686fee8', '00000000-0000-4000-8000-000000000208', 209);

INSERT INTO public.entries VALUES ('e593d7012686fee8', 'home', 'page', NULL, 0, '', '', '', true, 'Home', 'Old site', '', NULL, NULL, 'draft', true, '', NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL);
INSERT INTO public.entries VALUES ('e593d7012686fee8', 'shop', 'link', 'home', 0, 'Shop', '', '', true, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, 'https://shop.example.org/', NULL, NULL, NULL, NULL, NULL, NULL);

INSERT INTO public.knex_migrations VALUES (1, '001_sites', 1, '2026-12-01 13:47:39.174+00');
INSERT INTO public.knex_migrations VALUES (2, '002_pins', 1, '2026-12-01 13:47:39.177+00');
INSERT INTO public.knex_migrations VALUES (3, '003_surround', 1, '2026-12-01 13:47:39.18+00');
INSERT INTO public.knex_migrations VALUES (4, '004_files', 1, '2026-12-01 13:47:39.185+00');
INSERT INTO public.knex_migrations VALUES (5, '005_seen', 1, '2026-12-01 13:47:39.187+00');
INSERT INTO public.knex_migrations VALUES (6, '006_log', 1, '2026-12-01 13:47:39.198+00');
INSERT INTO public.knex_migrations VALUES (7, '007_contents', 1, '2026-12-01 13:47:39.206+00');

INSERT INTO public.knex_migrations_lock VALUES (1, 0);

INSERT INTO public.sites VALUES ('e593d7012686fee8', 'home', '{"logo": null, "name": "Old site", "layout": "flat", "baseUrl": "", "tagline": "A tagline", "language": "en", "ownWords": [], "setAside": [], "extension": ".html", "linkStyle": "relative", "redirects": [], "separator": "-", "namesIndex": true, "carrySection": false, "plannedPages": "left-out", "titlePattern": "{title} · {site}", "homeTitlePattern": "{site}"}', 209, '2026-12-01 13:47:40.405276+00', '{"here": {"form": "link", "here": "here", "bodyId": false, "within": "within", "marksSections": true}, "look": {"here": "bar", "side": "left", "size": 17, "hover": "fill", "width": 68, "colours": {"link": "#17405e", "page": "#fbfaf6", "text": "#1c262d", "accent": "#f2c14e", "visited": "#5b3a78", "menuBack": "#0f2c42", "menuText": "#ffffff", "footerBack": "#0f2c42", "footerText": "#ffffff", "headerBack": "#17405e", "headerText": "#ffffff", "menuVisited": "#d3dde6"}, "menuFont": "sans", "textFont": "serif", "headingFont": "serif"}, "menus": [{"id": "main", "from": {"at": "home"}, "kind": "plan", "name": "Main", "depth": 2, "exceptions": []}], "order": {"scope": "site", "series": []}, "words": {}, "places": {"side": [], "after": [{"id": "pager", "up": false, "kind": "pager", "shows": "both", "beside": false}], "before": [{"id": "breadcrumb", "kind": "breadcrumb", "beside": false}], "footer": [{"id": "copyright", "from": null, "kind": "copyright", "beside": false, "holder": ""}], "header": [{"id": "brand", "kind": "brand", "name": true, "beside": false, "picture": true, "tagline": true}, {"id": "main-menu", "kind": "menu", "menu": "main", "folds": true, "shape": "opening", "beside": false}, {"id": "banner", "kind": "banner", "text": "", "beside": false, "picture": null}]}, "headFiles": {"styles": [], "scripts": [], "ourScript": true, "ourStyles": true}, "breadcrumb": {"data": false, "from": 1, "separator": "chevron", "showsPage": true}}', '00000000-0000-4000-8000-000000000208');

INSERT INTO public.states VALUES ('e593d7012686fee8', 200, '\x1f8b0800000000000003ad564d8fdb3610fd2bc6ec55bb1b3b9bdd94b7f4103440932cb0697b087ca0c89144982205925aaf2be877f5de5f160c3f6c798da097fa6271483dce3cbe37d4041e4350a6f5c02608bcd5ca2030f8b02acf15686eda91b714460315d4dce31f4e03833879b06300068de6012a10dcb9c3138aa0ac01d670edb1028f03773c58070caea1027c09687c5c01375de8350129b37b0a074ddb38d43ca867dadcf01efd2723f1055870235630686e0cca47dea207061a9b704d2954e0502a87227860dfb7150415343ef210d0d146531ccfab7fff594d5e059ca182cef6f8edd5b232a76d6b8199516b2a207cf04a6202b67bf39775326f43190283af5aaee855982bf0a373763492381d341718d93d01f026a003f67d022581c1c05b7450c1381c19db29b39cf19ddd53b1b50d1d9d0026acb878de52a0b10e4f88b5432e851bfb1a8e5867b10b84c6dab39c841d0e4eb51df1da38db172632d872fa0c8b38d592900008b7432e97b8b5e3462e934ac344623ae0577883126174c7d9a34669385719b6e7ca5cf768c613741ec5bfb4804ab19ace2d41f98e0f74747640a34c7b414b01af49706e917419077c09c9063fcb99489bb7734ac39f6828e9446627e004436224f594b3d7dc1c9981cfe9058943e8806dc843020772599461a29a769ca0b1ae276328b383124d7f15d4561e3ec9639e7b153a45aacf0f15f4dced7cf6af2f242fb5c326903cf023442a617d6e72d1e1b3b3a628f731768f8c655d14c4045ed8487f740dbdef14a662c87c76476b72f6358f2e881447c7c7d1df086cfd408a7b8e826b94a64eb2579238ba7f5f81b0da8e2eba2fd2c1e06afd70f7e61ded37a49676d5d40d6fee4fa779b5169bfb0d89920b8126869a8d58dfd14bcf8ab2a5e3b97a57bfe50fefb3c27ee522a2bf6936e26e9383df3260137f504c76b136852f5627eb94d5c7bc53f862356df8e7293bf9564abc87acbc8f36d6e1b9f1b9d01241a7ca5ecab467d139853f2a9dfb1775e7dcf4bc706a288dd68eee298e8bb1289017e743dfa77e39cd7345c75460a2c659f644d43fdd2835e6cbc5d880e94999cfd1c7097fd11d21e17d492e81dcf581c16f092d17b66cd0e4a2947fba81e295161d5dba7de0715fe978549a325f9366737fb2f210b54917577c5d74dcb49177226d2047957b038fcf68421678ae575bb1f3f0ba9a92ffef797641c779a1a7cafebba24ce4171b70b5fe85347759e392e0ffbbe2edb197face0ea79a738f2a353ea5c9c05d8b217e905860c0a574e8898b317e7574210c9eddde12d40dbef07ed078635d7b4ba9fc4c32cb5cb6f3fc039dfc1ddaf8080000');

SELECT pg_catalog.setval('public.knex_migrations_id_seq', 7, true);

SELECT pg_catalog.setval('public.knex_migrations_lock_index_seq', 1, true);

ALTER TABLE ONLY public.changes
    ADD CONSTRAINT changes_pkey PRIMARY KEY (site_id, revision);

ALTER TABLE ONLY public.content_uses
    ADD CONSTRAINT content_uses_pkey PRIMARY KEY (site_id, key);

ALTER TABLE ONLY public.contents
    ADD CONSTRAINT contents_pkey PRIMARY KEY (key);

ALTER TABLE ONLY public.edits_made
    ADD CONSTRAINT edits_made_pkey PRIMARY KEY (site_id, edit_id);

ALTER TABLE ONLY public.edits_made
    ADD CONSTRAINT edits_made_site_id_revision_unique UNIQUE (site_id, revision);

ALTER TABLE ONLY public.entries
    ADD CONSTRAINT entries_pkey PRIMARY KEY (site_id, id);

ALTER TABLE ONLY public.files
    ADD CONSTRAINT files_pkey PRIMARY KEY (site_id, id);

ALTER TABLE ONLY public.files
    ADD CONSTRAINT files_site_id_path_unique UNIQUE (site_id, path) DEFERRABLE INITIALLY DEFERRED;

ALTER TABLE ONLY public.knex_migrations_lock
    ADD CONSTRAINT knex_migrations_lock_pkey PRIMARY KEY (index);

ALTER TABLE ONLY public.knex_migrations
    ADD CONSTRAINT knex_migrations_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.entries
    ADD CONSTRAINT one_entry_a_place UNIQUE (site_id, parent_id, place) DEFERRABLE INITIALLY DEFERRED;

ALTER TABLE ONLY public.sites
    ADD CONSTRAINT sites_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.states
    ADD CONSTRAINT states_pkey PRIMARY KEY (site_id, revision);

CREATE INDEX content_uses_key_index ON public.content_uses USING btree (key);

CREATE UNIQUE INDEX one_home_page_a_site ON public.entries USING btree (site_id) WHERE (parent_id IS NULL);

ALTER TABLE ONLY public.changes
    ADD CONSTRAINT changes_site_id_foreign FOREIGN KEY (site_id) REFERENCES public.sites(id) ON DELETE CASCADE;

ALTER TABLE ONLY public.content_uses
    ADD CONSTRAINT content_uses_key_foreign FOREIGN KEY (key) REFERENCES public.contents(key);

ALTER TABLE ONLY public.content_uses
    ADD CONSTRAINT content_uses_site_id_foreign FOREIGN KEY (site_id) REFERENCES public.sites(id) ON DELETE CASCADE;

ALTER TABLE ONLY public.edits_made
    ADD CONSTRAINT edits_made_site_id_foreign FOREIGN KEY (site_id) REFERENCES public.sites(id) ON DELETE CASCADE;

ALTER TABLE ONLY public.entries
    ADD CONSTRAINT entries_site_id_banner_file_foreign FOREIGN KEY (site_id, banner_file) REFERENCES public.files(site_id, id) DEFERRABLE INITIALLY DEFERRED;

ALTER TABLE ONLY public.entries
    ADD CONSTRAINT entries_site_id_foreign FOREIGN KEY (site_id) REFERENCES public.sites(id) ON DELETE CASCADE;

ALTER TABLE ONLY public.entries
    ADD CONSTRAINT entries_site_id_parent_id_foreign FOREIGN KEY (site_id, parent_id) REFERENCES public.entries(site_id, id) DEFERRABLE INITIALLY DEFERRED;

ALTER TABLE ONLY public.files
    ADD CONSTRAINT files_content_foreign FOREIGN KEY (content) REFERENCES public.contents(key);

ALTER TABLE ONLY public.files
    ADD CONSTRAINT files_site_id_foreign FOREIGN KEY (site_id) REFERENCES public.sites(id) ON DELETE CASCADE;

ALTER TABLE ONLY public.sites
    ADD CONSTRAINT sites_id_home_id_foreign FOREIGN KEY (id, home_id) REFERENCES public.entries(site_id, id) DEFERRABLE INITIALLY DEFERRED;

ALTER TABLE ONLY public.states
    ADD CONSTRAINT states_site_id_foreign FOREIGN KEY (site_id) REFERENCES public.sites(id) ON DELETE CASCADE;

