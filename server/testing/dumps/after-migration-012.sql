
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
    change json NOT NULL,
    inverse json NOT NULL,
    words text NOT NULL,
    made_at timestamp with time zone DEFAULT CURRENT_TIMESTAMP NOT NULL
);
ALTER TABLE ONLY public.changes ALTER COLUMN change SET COMPRESSION lz4;
ALTER TABLE ONLY public.changes ALTER COLUMN inverse SET COMPRESSION lz4;

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
)
WITH (fillfactor='50');

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
    as_found boolean DEFAULT false NOT NULL,
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

INSERT INTO public.changes VALUES ('0280472f7d243a4e', 1, '00000000-0000-4000-8000-000000000000', '{"kind":"add","parent":"home","place":0,"branches":[{"id":"walks","kind":"page","title":"Walks","label":"","fileName":"","heading":"","description":"","banner":null,"note":"","state":"draft","inMenu":true,"inOrder":true,"inSearch":true,"body":{"html":"","changed":""},"pin":null,"seen":null,"entries":[{"id":"locks","kind":"page","title":"Locks","label":"","fileName":"","heading":"","description":"","banner":null,"note":"","state":"draft","inMenu":true,"inOrder":true,"inSearch":true,"body":{"html":"","changed":""},"pin":null,"seen":null,"entries":[]},{"id":"more","kind":"group","label":"More","fileName":"","note":"","inMenu":true,"entries":[{"id":"tea","kind":"page","title":"Tea","label":"","fileName":"","heading":"","description":"","banner":null,"note":"","state":"draft","inMenu":true,"inOrder":true,"inSearch":true,"body":{"html":"","changed":""},"pin":null,"seen":null,"entries":[]}]}]},{"id":"visit","kind":"page","title":"Visit","label":"","fileName":"","heading":"","description":"","banner":null,"note":"","state":"draft","inMenu":true,"inOrder":true,"inSearch":true,"body":{"html":"","changed":""},"pin":null,"seen":null,"entries":[]},{"id":"shop","kind":"link","label":"Shop","target":{"to":"address","url":"https://shop.example.org/"},"note":"","inMenu":true,"entries":[]}]}', '{"kind":"remove","entries":["walks","visit","shop"]}', '6 entries added under “Home”', '2026-12-01 13:47:19.026884+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 2, '00000000-0000-4000-8000-000000000001', '{"kind":"setEntry","entry":"walks","field":"description","value":"Where to walk."}', '{"kind":"setEntry","entry":"walks","field":"description","value":""}', '“Walks”: description changed', '2026-12-01 13:47:19.043844+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 3, '00000000-0000-4000-8000-000000000002', '{"kind":"remove","entries":["tea"]}', '{"kind":"batch","changes":[{"kind":"add","parent":"more","place":0,"branches":[{"id":"tea","kind":"page","title":"Tea","label":"","fileName":"","heading":"","description":"","banner":null,"note":"","state":"draft","inMenu":true,"inOrder":true,"inSearch":true,"body":{"html":"","changed":""},"pin":null,"seen":null,"entries":[]}]}]}', '“Tea” removed', '2026-12-01 13:47:19.054397+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 4, '00000000-0000-4000-8000-000000000003', '{"kind":"remove","entries":["visit"]}', '{"kind":"batch","changes":[{"kind":"add","parent":"home","place":1,"branches":[{"id":"visit","kind":"page","title":"Visit","label":"","fileName":"","heading":"","description":"","banner":null,"note":"","state":"draft","inMenu":true,"inOrder":true,"inSearch":true,"body":{"html":"","changed":""},"pin":null,"seen":null,"entries":[]}]}]}', '“Visit” removed', '2026-12-01 13:47:19.068285+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 5, '00000000-0000-4000-8000-000000000004', '{"kind":"move","entry":"locks","parent":"home","place":0}', '{"kind":"move","entry":"locks","parent":"walks","place":0}', '“Locks” moved under “Home”', '2026-12-01 13:47:19.075617+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 6, '00000000-0000-4000-8000-000000000005', '{"kind":"setSite","field":"tagline","value":"A tagline"}', '{"kind":"setSite","field":"tagline","value":"","back":true}', 'Tagline changed', '2026-12-01 13:47:19.082601+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 7, '00000000-0000-4000-8000-000000000006', '{"kind":"remove","entries":["walks"]}', '{"kind":"batch","changes":[{"kind":"add","parent":"home","place":1,"branches":[{"id":"walks","kind":"page","title":"Walks","label":"","fileName":"","heading":"","description":"Where to walk.","banner":null,"note":"","state":"draft","inMenu":true,"inOrder":true,"inSearch":true,"body":{"html":"","changed":""},"pin":null,"seen":null,"entries":[{"id":"more","kind":"group","label":"More","fileName":"","note":"","inMenu":true,"entries":[]}]}]}]}', '“Walks” and the entry under it removed', '2026-12-01 13:47:19.08842+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 8, '00000000-0000-4000-8000-000000000007', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 0"}', '{"kind":"setEntry","entry":"locks","field":"note","value":""}', '“Locks”: note changed', '2026-12-01 13:47:19.095819+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 9, '00000000-0000-4000-8000-000000000008', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 1"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 0"}', '“Locks”: note changed', '2026-12-01 13:47:19.101902+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 10, '00000000-0000-4000-8000-000000000009', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 2"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 1"}', '“Locks”: note changed', '2026-12-01 13:47:19.10887+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 11, '00000000-0000-4000-8000-000000000010', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 3"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 2"}', '“Locks”: note changed', '2026-12-01 13:47:19.115385+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 12, '00000000-0000-4000-8000-000000000011', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 4"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 3"}', '“Locks”: note changed', '2026-12-01 13:47:19.121372+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 13, '00000000-0000-4000-8000-000000000012', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 5"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 4"}', '“Locks”: note changed', '2026-12-01 13:47:19.127464+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 14, '00000000-0000-4000-8000-000000000013', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 6"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 5"}', '“Locks”: note changed', '2026-12-01 13:47:19.133091+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 15, '00000000-0000-4000-8000-000000000014', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 7"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 6"}', '“Locks”: note changed', '2026-12-01 13:47:19.138946+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 16, '00000000-0000-4000-8000-000000000015', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 8"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 7"}', '“Locks”: note changed', '2026-12-01 13:47:19.144512+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 17, '00000000-0000-4000-8000-000000000016', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 9"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 8"}', '“Locks”: note changed', '2026-12-01 13:47:19.149671+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 18, '00000000-0000-4000-8000-000000000017', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 10"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 9"}', '“Locks”: note changed', '2026-12-01 13:47:19.154627+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 19, '00000000-0000-4000-8000-000000000018', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 11"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 10"}', '“Locks”: note changed', '2026-12-01 13:47:19.160024+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 20, '00000000-0000-4000-8000-000000000019', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 12"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 11"}', '“Locks”: note changed', '2026-12-01 13:47:19.166301+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 21, '00000000-0000-4000-8000-000000000020', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 13"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 12"}', '“Locks”: note changed', '2026-12-01 13:47:19.180722+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 22, '00000000-0000-4000-8000-000000000021', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 14"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 13"}', '“Locks”: note changed', '2026-12-01 13:47:19.186151+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 23, '00000000-0000-4000-8000-000000000022', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 15"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 14"}', '“Locks”: note changed', '2026-12-01 13:47:19.19159+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 24, '00000000-0000-4000-8000-000000000023', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 16"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 15"}', '“Locks”: note changed', '2026-12-01 13:47:19.199049+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 25, '00000000-0000-4000-8000-000000000024', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 17"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 16"}', '“Locks”: note changed', '2026-12-01 13:47:19.206803+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 26, '00000000-0000-4000-8000-000000000025', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 18"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 17"}', '“Locks”: note changed', '2026-12-01 13:47:19.217796+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 27, '00000000-0000-4000-8000-000000000026', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 19"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 18"}', '“Locks”: note changed', '2026-12-01 13:47:19.224765+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 28, '00000000-0000-4000-8000-000000000027', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 20"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 19"}', '“Locks”: note changed', '2026-12-01 13:47:19.234857+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 29, '00000000-0000-4000-8000-000000000028', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 21"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 20"}', '“Locks”: note changed', '2026-12-01 13:47:19.245459+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 30, '00000000-0000-4000-8000-000000000029', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 22"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 21"}', '“Locks”: note changed', '2026-12-01 13:47:19.251583+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 31, '00000000-0000-4000-8000-000000000030', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 23"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 22"}', '“Locks”: note changed', '2026-12-01 13:47:19.256895+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 32, '00000000-0000-4000-8000-000000000031', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 24"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 23"}', '“Locks”: note changed', '2026-12-01 13:47:19.262224+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 33, '00000000-0000-4000-8000-000000000032', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 25"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 24"}', '“Locks”: note changed', '2026-12-01 13:47:19.268146+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 34, '00000000-0000-4000-8000-000000000033', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 26"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 25"}', '“Locks”: note changed', '2026-12-01 13:47:19.274441+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 35, '00000000-0000-4000-8000-000000000034', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 27"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 26"}', '“Locks”: note changed', '2026-12-01 13:47:19.283121+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 36, '00000000-0000-4000-8000-000000000035', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 28"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 27"}', '“Locks”: note changed', '2026-12-01 13:47:19.289073+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 37, '00000000-0000-4000-8000-000000000036', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 29"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 28"}', '“Locks”: note changed', '2026-12-01 13:47:19.295711+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 38, '00000000-0000-4000-8000-000000000037', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 30"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 29"}', '“Locks”: note changed', '2026-12-01 13:47:19.302208+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 39, '00000000-0000-4000-8000-000000000038', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 31"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 30"}', '“Locks”: note changed', '2026-12-01 13:47:19.312017+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 40, '00000000-0000-4000-8000-000000000039', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 32"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 31"}', '“Locks”: note changed', '2026-12-01 13:47:19.320657+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 41, '00000000-0000-4000-8000-000000000040', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 33"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 32"}', '“Locks”: note changed', '2026-12-01 13:47:19.325986+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 42, '00000000-0000-4000-8000-000000000041', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 34"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 33"}', '“Locks”: note changed', '2026-12-01 13:47:19.331376+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 43, '00000000-0000-4000-8000-000000000042', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 35"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 34"}', '“Locks”: note changed', '2026-12-01 13:47:19.3366+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 44, '00000000-0000-4000-8000-000000000043', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 36"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 35"}', '“Locks”: note changed', '2026-12-01 13:47:19.343124+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 45, '00000000-0000-4000-8000-000000000044', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 37"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 36"}', '“Locks”: note changed', '2026-12-01 13:47:19.348235+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 46, '00000000-0000-4000-8000-000000000045', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 38"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 37"}', '“Locks”: note changed', '2026-12-01 13:47:19.353414+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 47, '00000000-0000-4000-8000-000000000046', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 39"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 38"}', '“Locks”: note changed', '2026-12-01 13:47:19.360038+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 48, '00000000-0000-4000-8000-000000000047', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 40"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 39"}', '“Locks”: note changed', '2026-12-01 13:47:19.365555+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 49, '00000000-0000-4000-8000-000000000048', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 41"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 40"}', '“Locks”: note changed', '2026-12-01 13:47:19.371833+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 50, '00000000-0000-4000-8000-000000000049', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 42"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 41"}', '“Locks”: note changed', '2026-12-01 13:47:19.377209+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 51, '00000000-0000-4000-8000-000000000050', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 43"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 42"}', '“Locks”: note changed', '2026-12-01 13:47:19.382343+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 52, '00000000-0000-4000-8000-000000000051', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 44"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 43"}', '“Locks”: note changed', '2026-12-01 13:47:19.390289+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 53, '00000000-0000-4000-8000-000000000052', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 45"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 44"}', '“Locks”: note changed', '2026-12-01 13:47:19.39801+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 54, '00000000-0000-4000-8000-000000000053', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 46"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 45"}', '“Locks”: note changed', '2026-12-01 13:47:19.409257+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 55, '00000000-0000-4000-8000-000000000054', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 47"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 46"}', '“Locks”: note changed', '2026-12-01 13:47:19.414804+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 56, '00000000-0000-4000-8000-000000000055', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 48"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 47"}', '“Locks”: note changed', '2026-12-01 13:47:19.420322+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 57, '00000000-0000-4000-8000-000000000056', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 49"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 48"}', '“Locks”: note changed', '2026-12-01 13:47:19.428214+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 58, '00000000-0000-4000-8000-000000000057', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 50"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 49"}', '“Locks”: note changed', '2026-12-01 13:47:19.43329+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 59, '00000000-0000-4000-8000-000000000058', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 51"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 50"}', '“Locks”: note changed', '2026-12-01 13:47:19.438178+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 60, '00000000-0000-4000-8000-000000000059', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 52"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 51"}', '“Locks”: note changed', '2026-12-01 13:47:19.443235+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 61, '00000000-0000-4000-8000-000000000060', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 53"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 52"}', '“Locks”: note changed', '2026-12-01 13:47:19.447751+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 62, '00000000-0000-4000-8000-000000000061', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 54"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 53"}', '“Locks”: note changed', '2026-12-01 13:47:19.452838+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 63, '00000000-0000-4000-8000-000000000062', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 55"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 54"}', '“Locks”: note changed', '2026-12-01 13:47:19.457439+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 64, '00000000-0000-4000-8000-000000000063', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 56"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 55"}', '“Locks”: note changed', '2026-12-01 13:47:19.462606+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 65, '00000000-0000-4000-8000-000000000064', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 57"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 56"}', '“Locks”: note changed', '2026-12-01 13:47:19.4672+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 66, '00000000-0000-4000-8000-000000000065', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 58"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 57"}', '“Locks”: note changed', '2026-12-01 13:47:19.471966+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 67, '00000000-0000-4000-8000-000000000066', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 59"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 58"}', '“Locks”: note changed', '2026-12-01 13:47:19.478343+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 68, '00000000-0000-4000-8000-000000000067', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 60"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 59"}', '“Locks”: note changed', '2026-12-01 13:47:19.487347+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 69, '00000000-0000-4000-8000-000000000068', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 61"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 60"}', '“Locks”: note changed', '2026-12-01 13:47:19.492041+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 70, '00000000-0000-4000-8000-000000000069', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 62"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 61"}', '“Locks”: note changed', '2026-12-01 13:47:19.49672+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 71, '00000000-0000-4000-8000-000000000070', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 63"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 62"}', '“Locks”: note changed', '2026-12-01 13:47:19.501611+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 72, '00000000-0000-4000-8000-000000000071', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 64"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 63"}', '“Locks”: note changed', '2026-12-01 13:47:19.508154+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 73, '00000000-0000-4000-8000-000000000072', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 65"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 64"}', '“Locks”: note changed', '2026-12-01 13:47:19.512732+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 74, '00000000-0000-4000-8000-000000000073', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 66"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 65"}', '“Locks”: note changed', '2026-12-01 13:47:19.517138+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 75, '00000000-0000-4000-8000-000000000074', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 67"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 66"}', '“Locks”: note changed', '2026-12-01 13:47:19.522517+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 76, '00000000-0000-4000-8000-000000000075', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 68"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 67"}', '“Locks”: note changed', '2026-12-01 13:47:19.526676+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 77, '00000000-0000-4000-8000-000000000076', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 69"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 68"}', '“Locks”: note changed', '2026-12-01 13:47:19.531985+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 78, '00000000-0000-4000-8000-000000000077', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 70"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 69"}', '“Locks”: note changed', '2026-12-01 13:47:19.536411+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 79, '00000000-0000-4000-8000-000000000078', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 71"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 70"}', '“Locks”: note changed', '2026-12-01 13:47:19.540657+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 80, '00000000-0000-4000-8000-000000000079', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 72"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 71"}', '“Locks”: note changed', '2026-12-01 13:47:19.544756+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 81, '00000000-0000-4000-8000-000000000080', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 73"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 72"}', '“Locks”: note changed', '2026-12-01 13:47:19.554733+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 82, '00000000-0000-4000-8000-000000000081', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 74"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 73"}', '“Locks”: note changed', '2026-12-01 13:47:19.561737+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 83, '00000000-0000-4000-8000-000000000082', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 75"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 74"}', '“Locks”: note changed', '2026-12-01 13:47:19.566221+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 84, '00000000-0000-4000-8000-000000000083', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 76"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 75"}', '“Locks”: note changed', '2026-12-01 13:47:19.570691+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 85, '00000000-0000-4000-8000-000000000084', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 77"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 76"}', '“Locks”: note changed', '2026-12-01 13:47:19.578764+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 86, '00000000-0000-4000-8000-000000000085', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 78"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 77"}', '“Locks”: note changed', '2026-12-01 13:47:19.583212+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 87, '00000000-0000-4000-8000-000000000086', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 79"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 78"}', '“Locks”: note changed', '2026-12-01 13:47:19.587858+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 88, '00000000-0000-4000-8000-000000000087', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 80"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 79"}', '“Locks”: note changed', '2026-12-01 13:47:19.593737+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 89, '00000000-0000-4000-8000-000000000088', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 81"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 80"}', '“Locks”: note changed', '2026-12-01 13:47:19.598723+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 90, '00000000-0000-4000-8000-000000000089', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 82"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 81"}', '“Locks”: note changed', '2026-12-01 13:47:19.603398+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 91, '00000000-0000-4000-8000-000000000090', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 83"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 82"}', '“Locks”: note changed', '2026-12-01 13:47:19.607965+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 92, '00000000-0000-4000-8000-000000000091', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 84"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 83"}', '“Locks”: note changed', '2026-12-01 13:47:19.612631+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 93, '00000000-0000-4000-8000-000000000092', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 85"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 84"}', '“Locks”: note changed', '2026-12-01 13:47:19.617069+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 94, '00000000-0000-4000-8000-000000000093', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 86"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 85"}', '“Locks”: note changed', '2026-12-01 13:47:19.621883+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 95, '00000000-0000-4000-8000-000000000094', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 87"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 86"}', '“Locks”: note changed', '2026-12-01 13:47:19.626619+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 96, '00000000-0000-4000-8000-000000000095', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 88"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 87"}', '“Locks”: note changed', '2026-12-01 13:47:19.632003+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 97, '00000000-0000-4000-8000-000000000096', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 89"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 88"}', '“Locks”: note changed', '2026-12-01 13:47:19.637651+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 98, '00000000-0000-4000-8000-000000000097', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 90"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 89"}', '“Locks”: note changed', '2026-12-01 13:47:19.64314+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 99, '00000000-0000-4000-8000-000000000098', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 91"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 90"}', '“Locks”: note changed', '2026-12-01 13:47:19.648681+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 100, '00000000-0000-4000-8000-000000000099', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 92"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 91"}', '“Locks”: note changed', '2026-12-01 13:47:19.655747+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 101, '00000000-0000-4000-8000-000000000100', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 93"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 92"}', '“Locks”: note changed', '2026-12-01 13:47:19.666064+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 102, '00000000-0000-4000-8000-000000000101', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 94"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 93"}', '“Locks”: note changed', '2026-12-01 13:47:19.672017+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 103, '00000000-0000-4000-8000-000000000102', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 95"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 94"}', '“Locks”: note changed', '2026-12-01 13:47:19.680894+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 104, '00000000-0000-4000-8000-000000000103', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 96"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 95"}', '“Locks”: note changed', '2026-12-01 13:47:19.687103+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 105, '00000000-0000-4000-8000-000000000104', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 97"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 96"}', '“Locks”: note changed', '2026-12-01 13:47:19.693279+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 106, '00000000-0000-4000-8000-000000000105', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 98"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 97"}', '“Locks”: note changed', '2026-12-01 13:47:19.701454+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 107, '00000000-0000-4000-8000-000000000106', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 99"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 98"}', '“Locks”: note changed', '2026-12-01 13:47:19.712354+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 108, '00000000-0000-4000-8000-000000000107', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 100"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 99"}', '“Locks”: note changed', '2026-12-01 13:47:19.719454+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 109, '00000000-0000-4000-8000-000000000108', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 101"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 100"}', '“Locks”: note changed', '2026-12-01 13:47:19.727609+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 110, '00000000-0000-4000-8000-000000000109', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 102"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 101"}', '“Locks”: note changed', '2026-12-01 13:47:19.737642+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 111, '00000000-0000-4000-8000-000000000110', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 103"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 102"}', '“Locks”: note changed', '2026-12-01 13:47:19.743882+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 112, '00000000-0000-4000-8000-000000000111', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 104"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 103"}', '“Locks”: note changed', '2026-12-01 13:47:19.749867+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 113, '00000000-0000-4000-8000-000000000112', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 105"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 104"}', '“Locks”: note changed', '2026-12-01 13:47:19.755911+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 114, '00000000-0000-4000-8000-000000000113', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 106"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 105"}', '“Locks”: note changed', '2026-12-01 13:47:19.762064+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 115, '00000000-0000-4000-8000-000000000114', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 107"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 106"}', '“Locks”: note changed', '2026-12-01 13:47:19.768068+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 116, '00000000-0000-4000-8000-000000000115', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 108"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 107"}', '“Locks”: note changed', '2026-12-01 13:47:19.77449+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 117, '00000000-0000-4000-8000-000000000116', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 109"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 108"}', '“Locks”: note changed', '2026-12-01 13:47:19.780872+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 118, '00000000-0000-4000-8000-000000000117', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 110"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 109"}', '“Locks”: note changed', '2026-12-01 13:47:19.786925+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 119, '00000000-0000-4000-8000-000000000118', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 111"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 110"}', '“Locks”: note changed', '2026-12-01 13:47:19.792896+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 120, '00000000-0000-4000-8000-000000000119', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 112"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 111"}', '“Locks”: note changed', '2026-12-01 13:47:19.801953+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 121, '00000000-0000-4000-8000-000000000120', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 113"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 112"}', '“Locks”: note changed', '2026-12-01 13:47:19.807684+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 122, '00000000-0000-4000-8000-000000000121', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 114"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 113"}', '“Locks”: note changed', '2026-12-01 13:47:19.813593+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 123, '00000000-0000-4000-8000-000000000122', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 115"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 114"}', '“Locks”: note changed', '2026-12-01 13:47:19.819347+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 124, '00000000-0000-4000-8000-000000000123', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 116"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 115"}', '“Locks”: note changed', '2026-12-01 13:47:19.825089+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 125, '00000000-0000-4000-8000-000000000124', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 117"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 116"}', '“Locks”: note changed', '2026-12-01 13:47:19.831012+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 126, '00000000-0000-4000-8000-000000000125', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 118"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 117"}', '“Locks”: note changed', '2026-12-01 13:47:19.838691+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 127, '00000000-0000-4000-8000-000000000126', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 119"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 118"}', '“Locks”: note changed', '2026-12-01 13:47:19.844273+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 128, '00000000-0000-4000-8000-000000000127', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 120"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 119"}', '“Locks”: note changed', '2026-12-01 13:47:19.849759+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 129, '00000000-0000-4000-8000-000000000128', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 121"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 120"}', '“Locks”: note changed', '2026-12-01 13:47:19.855556+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 130, '00000000-0000-4000-8000-000000000129', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 122"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 121"}', '“Locks”: note changed', '2026-12-01 13:47:19.863389+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 131, '00000000-0000-4000-8000-000000000130', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 123"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 122"}', '“Locks”: note changed', '2026-12-01 13:47:19.869336+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 132, '00000000-0000-4000-8000-000000000131', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 124"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 123"}', '“Locks”: note changed', '2026-12-01 13:47:19.877334+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 133, '00000000-0000-4000-8000-000000000132', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 125"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 124"}', '“Locks”: note changed', '2026-12-01 13:47:19.882872+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 134, '00000000-0000-4000-8000-000000000133', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 126"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 125"}', '“Locks”: note changed', '2026-12-01 13:47:19.890451+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 135, '00000000-0000-4000-8000-000000000134', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 127"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 126"}', '“Locks”: note changed', '2026-12-01 13:47:19.895909+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 136, '00000000-0000-4000-8000-000000000135', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 128"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 127"}', '“Locks”: note changed', '2026-12-01 13:47:19.902252+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 137, '00000000-0000-4000-8000-000000000136', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 129"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 128"}', '“Locks”: note changed', '2026-12-01 13:47:19.909806+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 138, '00000000-0000-4000-8000-000000000137', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 130"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 129"}', '“Locks”: note changed', '2026-12-01 13:47:19.915645+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 139, '00000000-0000-4000-8000-000000000138', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 131"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 130"}', '“Locks”: note changed', '2026-12-01 13:47:19.924469+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 140, '00000000-0000-4000-8000-000000000139', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 132"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 131"}', '“Locks”: note changed', '2026-12-01 13:47:19.934382+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 141, '00000000-0000-4000-8000-000000000140', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 133"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 132"}', '“Locks”: note changed', '2026-12-01 13:47:19.942081+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 142, '00000000-0000-4000-8000-000000000141', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 134"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 133"}', '“Locks”: note changed', '2026-12-01 13:47:19.947371+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 143, '00000000-0000-4000-8000-000000000142', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 135"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 134"}', '“Locks”: note changed', '2026-12-01 13:47:19.952401+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 144, '00000000-0000-4000-8000-000000000143', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 136"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 135"}', '“Locks”: note changed', '2026-12-01 13:47:19.95744+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 145, '00000000-0000-4000-8000-000000000144', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 137"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 136"}', '“Locks”: note changed', '2026-12-01 13:47:19.965127+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 146, '00000000-0000-4000-8000-000000000145', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 138"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 137"}', '“Locks”: note changed', '2026-12-01 13:47:19.976421+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 147, '00000000-0000-4000-8000-000000000146', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 139"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 138"}', '“Locks”: note changed', '2026-12-01 13:47:19.983634+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 148, '00000000-0000-4000-8000-000000000147', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 140"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 139"}', '“Locks”: note changed', '2026-12-01 13:47:19.991902+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 149, '00000000-0000-4000-8000-000000000148', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 141"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 140"}', '“Locks”: note changed', '2026-12-01 13:47:20.000086+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 150, '00000000-0000-4000-8000-000000000149', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 142"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 141"}', '“Locks”: note changed', '2026-12-01 13:47:20.007064+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 151, '00000000-0000-4000-8000-000000000150', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 143"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 142"}', '“Locks”: note changed', '2026-12-01 13:47:20.012288+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 152, '00000000-0000-4000-8000-000000000151', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 144"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 143"}', '“Locks”: note changed', '2026-12-01 13:47:20.016881+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 153, '00000000-0000-4000-8000-000000000152', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 145"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 144"}', '“Locks”: note changed', '2026-12-01 13:47:20.021535+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 154, '00000000-0000-4000-8000-000000000153', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 146"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 145"}', '“Locks”: note changed', '2026-12-01 13:47:20.026324+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 155, '00000000-0000-4000-8000-000000000154', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 147"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 146"}', '“Locks”: note changed', '2026-12-01 13:47:20.035653+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 156, '00000000-0000-4000-8000-000000000155', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 148"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 147"}', '“Locks”: note changed', '2026-12-01 13:47:20.044034+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 157, '00000000-0000-4000-8000-000000000156', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 149"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 148"}', '“Locks”: note changed', '2026-12-01 13:47:20.049094+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 158, '00000000-0000-4000-8000-000000000157', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 150"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 149"}', '“Locks”: note changed', '2026-12-01 13:47:20.057468+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 159, '00000000-0000-4000-8000-000000000158', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 151"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 150"}', '“Locks”: note changed', '2026-12-01 13:47:20.062662+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 160, '00000000-0000-4000-8000-000000000159', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 152"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 151"}', '“Locks”: note changed', '2026-12-01 13:47:20.067858+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 161, '00000000-0000-4000-8000-000000000160', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 153"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 152"}', '“Locks”: note changed', '2026-12-01 13:47:20.075765+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 162, '00000000-0000-4000-8000-000000000161', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 154"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 153"}', '“Locks”: note changed', '2026-12-01 13:47:20.082413+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 163, '00000000-0000-4000-8000-000000000162', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 155"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 154"}', '“Locks”: note changed', '2026-12-01 13:47:20.088657+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 164, '00000000-0000-4000-8000-000000000163', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 156"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 155"}', '“Locks”: note changed', '2026-12-01 13:47:20.094203+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 165, '00000000-0000-4000-8000-000000000164', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 157"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 156"}', '“Locks”: note changed', '2026-12-01 13:47:20.099872+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 166, '00000000-0000-4000-8000-000000000165', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 158"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 157"}', '“Locks”: note changed', '2026-12-01 13:47:20.104933+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 167, '00000000-0000-4000-8000-000000000166', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 159"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 158"}', '“Locks”: note changed', '2026-12-01 13:47:20.111881+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 168, '00000000-0000-4000-8000-000000000167', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 160"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 159"}', '“Locks”: note changed', '2026-12-01 13:47:20.120816+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 169, '00000000-0000-4000-8000-000000000168', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 161"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 160"}', '“Locks”: note changed', '2026-12-01 13:47:20.125874+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 170, '00000000-0000-4000-8000-000000000169', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 162"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 161"}', '“Locks”: note changed', '2026-12-01 13:47:20.131672+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 171, '00000000-0000-4000-8000-000000000170', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 163"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 162"}', '“Locks”: note changed', '2026-12-01 13:47:20.137204+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 172, '00000000-0000-4000-8000-000000000171', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 164"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 163"}', '“Locks”: note changed', '2026-12-01 13:47:20.142808+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 173, '00000000-0000-4000-8000-000000000172', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 165"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 164"}', '“Locks”: note changed', '2026-12-01 13:47:20.148602+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 174, '00000000-0000-4000-8000-000000000173', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 166"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 165"}', '“Locks”: note changed', '2026-12-01 13:47:20.1544+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 175, '00000000-0000-4000-8000-000000000174', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 167"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 166"}', '“Locks”: note changed', '2026-12-01 13:47:20.160129+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 176, '00000000-0000-4000-8000-000000000175', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 168"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 167"}', '“Locks”: note changed', '2026-12-01 13:47:20.165696+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 177, '00000000-0000-4000-8000-000000000176', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 169"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 168"}', '“Locks”: note changed', '2026-12-01 13:47:20.171142+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 178, '00000000-0000-4000-8000-000000000177', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 170"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 169"}', '“Locks”: note changed', '2026-12-01 13:47:20.17671+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 179, '00000000-0000-4000-8000-000000000178', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 171"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 170"}', '“Locks”: note changed', '2026-12-01 13:47:20.182449+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 180, '00000000-0000-4000-8000-000000000179', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 172"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 171"}', '“Locks”: note changed', '2026-12-01 13:47:20.187869+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 181, '00000000-0000-4000-8000-000000000180', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 173"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 172"}', '“Locks”: note changed', '2026-12-01 13:47:20.192981+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 182, '00000000-0000-4000-8000-000000000181', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 174"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 173"}', '“Locks”: note changed', '2026-12-01 13:47:20.197849+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 183, '00000000-0000-4000-8000-000000000182', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 175"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 174"}', '“Locks”: note changed', '2026-12-01 13:47:20.205891+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 184, '00000000-0000-4000-8000-000000000183', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 176"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 175"}', '“Locks”: note changed', '2026-12-01 13:47:20.210831+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 185, '00000000-0000-4000-8000-000000000184', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 177"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 176"}', '“Locks”: note changed', '2026-12-01 13:47:20.215801+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 186, '00000000-0000-4000-8000-000000000185', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 178"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 177"}', '“Locks”: note changed', '2026-12-01 13:47:20.22473+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 187, '00000000-0000-4000-8000-000000000186', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 179"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 178"}', '“Locks”: note changed', '2026-12-01 13:47:20.231989+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 188, '00000000-0000-4000-8000-000000000187', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 180"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 179"}', '“Locks”: note changed', '2026-12-01 13:47:20.237274+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 189, '00000000-0000-4000-8000-000000000188', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 181"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 180"}', '“Locks”: note changed', '2026-12-01 13:47:20.244108+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 190, '00000000-0000-4000-8000-000000000189', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 182"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 181"}', '“Locks”: note changed', '2026-12-01 13:47:20.250024+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 191, '00000000-0000-4000-8000-000000000190', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 183"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 182"}', '“Locks”: note changed', '2026-12-01 13:47:20.255109+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 192, '00000000-0000-4000-8000-000000000191', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 184"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 183"}', '“Locks”: note changed', '2026-12-01 13:47:20.261424+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 193, '00000000-0000-4000-8000-000000000192', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 185"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 184"}', '“Locks”: note changed', '2026-12-01 13:47:20.267544+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 194, '00000000-0000-4000-8000-000000000193', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 186"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 185"}', '“Locks”: note changed', '2026-12-01 13:47:20.272568+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 195, '00000000-0000-4000-8000-000000000194', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 187"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 186"}', '“Locks”: note changed', '2026-12-01 13:47:20.277103+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 196, '00000000-0000-4000-8000-000000000195', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 188"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 187"}', '“Locks”: note changed', '2026-12-01 13:47:20.281932+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 197, '00000000-0000-4000-8000-000000000196', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 189"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 188"}', '“Locks”: note changed', '2026-12-01 13:47:20.288108+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 198, '00000000-0000-4000-8000-000000000197', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 190"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 189"}', '“Locks”: note changed', '2026-12-01 13:47:20.29427+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 199, '00000000-0000-4000-8000-000000000198', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 191"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 190"}', '“Locks”: note changed', '2026-12-01 13:47:20.300017+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 200, '00000000-0000-4000-8000-000000000199', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 192"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 191"}', '“Locks”: note changed', '2026-12-01 13:47:20.308104+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 201, '00000000-0000-4000-8000-000000000200', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 193"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 192"}', '“Locks”: note changed', '2026-12-01 13:47:20.32022+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 202, '00000000-0000-4000-8000-000000000201', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 194"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 193"}', '“Locks”: note changed', '2026-12-01 13:47:20.325604+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 203, '00000000-0000-4000-8000-000000000202', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 195"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 194"}', '“Locks”: note changed', '2026-12-01 13:47:20.330413+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 204, '00000000-0000-4000-8000-000000000203', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 196"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 195"}', '“Locks”: note changed', '2026-12-01 13:47:20.334794+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 205, '00000000-0000-4000-8000-000000000204', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 197"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 196"}', '“Locks”: note changed', '2026-12-01 13:47:20.339362+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 206, '00000000-0000-4000-8000-000000000205', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 198"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 197"}', '“Locks”: note changed', '2026-12-01 13:47:20.344041+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 207, '00000000-0000-4000-8000-000000000206', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 199"}', '{"kind":"setEntry","entry":"locks","field":"note","value":"Note 198"}', '“Locks”: note changed', '2026-12-01 13:47:20.349363+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 208, '00000000-0000-4000-8000-000000000207', '{"kind":"add","parent":"home","place":0,"branches":[{"id":"late","kind":"page","title":"Late","label":"","fileName":"","heading":"","description":"","banner":null,"note":"","state":"draft","inMenu":true,"inOrder":true,"inSearch":true,"body":{"html":"","changed":""},"pin":null,"seen":null,"entries":[]}]}', '{"kind":"remove","entries":["late"]}', '“Late” added under “Home”', '2026-12-01 13:47:20.354892+00');
INSERT INTO public.changes VALUES ('0280472f7d243a4e', 209, '00000000-0000-4000-8000-000000000208', '{"kind":"remove","entries":["late","locks"]}', '{"kind":"batch","changes":[{"kind":"add","parent":"home","place":0,"branches":[{"id":"late","kind":"page","title":"Late","label":"","fileName":"","heading":"","description":"","banner":null,"note":"","state":"draft","inMenu":true,"inOrder":true,"inSearch":true,"body":{"html":"","changed":""},"pin":null,"seen":null,"entries":[]},{"id":"locks","kind":"page","title":"Locks","label":"","fileName":"","heading":"","description":"","banner":null,"note":"Note 199","state":"draft","inMenu":true,"inOrder":true,"inSearch":true,"body":{"html":"","changed":""},"pin":null,"seen":null,"entries":[]}]}]}', '2 entries removed', '2026-12-01 13:47:20.374788+00');

INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000000', 1);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000001', 2);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000002', 3);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000003', 4);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000004', 5);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000005', 6);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000006', 7);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000007', 8);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000008', 9);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000009', 10);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000010', 11);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000011', 12);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000012', 13);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000013', 14);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000014', 15);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000015', 16);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000016', 17);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000017', 18);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000018', 19);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000019', 20);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000020', 21);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000021', 22);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000022', 23);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000023', 24);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000024', 25);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000025', 26);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000026', 27);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000027', 28);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000028', 29);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000029', 30);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000030', 31);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000031', 32);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000032', 33);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000033', 34);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000034', 35);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000035', 36);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000036', 37);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000037', 38);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000038', 39);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000039', 40);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000040', 41);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000041', 42);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000042', 43);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000043', 44);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000044', 45);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000045', 46);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000046', 47);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000047', 48);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000048', 49);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000049', 50);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000050', 51);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000051', 52);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000052', 53);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000053', 54);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000054', 55);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000055', 56);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000056', 57);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000057', 58);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000058', 59);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000059', 60);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000060', 61);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000061', 62);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000062', 63);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000063', 64);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000064', 65);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000065', 66);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000066', 67);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000067', 68);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000068', 69);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000069', 70);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000070', 71);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000071', 72);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000072', 73);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000073', 74);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000074', 75);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000075', 76);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000076', 77);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000077', 78);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000078', 79);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000079', 80);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000080', 81);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000081', 82);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000082', 83);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000083', 84);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000084', 85);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000085', 86);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000086', 87);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000087', 88);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000088', 89);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000089', 90);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000090', 91);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000091', 92);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000092', 93);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000093', 94);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000094', 95);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000095', 96);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000096', 97);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000097', 98);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000098', 99);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000099', 100);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000100', 101);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000101', 102);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000102', 103);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000103', 104);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000104', 105);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000105', 106);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000106', 107);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000107', 108);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000108', 109);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000109', 110);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000110', 111);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000111', 112);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000112', 113);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000113', 114);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000114', 115);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000115', 116);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000116', 117);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000117', 118);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000118', 119);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000119', 120);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000120', 121);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000121', 122);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000122', 123);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000123', 124);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000124', 125);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000125', 126);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000126', 127);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000127', 128);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000128', 129);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000129', 130);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000130', 131);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000131', 132);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000132', 133);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000133', 134);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000134', 135);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000135', 136);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000136', 137);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000137', 138);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000138', 139);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000139', 140);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000140', 141);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000141', 142);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000142', 143);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000143', 144);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000144', 145);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000145', 146);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000146', 147);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000147', 148);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000148', 149);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000149', 150);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000150', 151);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000151', 152);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000152', 153);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000153', 154);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000154', 155);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000155', 156);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000156', 157);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000157', 158);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000158', 159);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000159', 160);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000160', 161);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000161', 162);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000162', 163);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000163', 164);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000164', 165);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000165', 166);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000166', 167);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000167', 168);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000168', 169);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000169', 170);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000170', 171);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000171', 172);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000172', 173);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000173', 174);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000174', 175);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000175', 176);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000176', 177);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000177', 178);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000178', 179);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000179', 180);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000180', 181);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000181', 182);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000182', 183);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000183', 184);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000184', 185);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000185', 186);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000186', 187);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000187', 188);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000188', 189);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000189', 190);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000190', 191);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000191', 192);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000192', 193);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000193', 194);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000194', 195);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000195', 196);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000196', 197);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000197', 198);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000198', 199);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000199', 200);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000200', 201);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000201', 202);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000202', 203);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000203', 204);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000204', 205);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000205', 206);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000206', 207);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000207', 208);
INSERT INTO public.edits_made VALUES ('0280472f7d243a4e', '00000000-0000-4000-8000-000000000208', 209);

INSERT INTO public.entries VALUES ('0280472f7d243a4e', 'home', 'page', NULL, 0, '', '', '', true, 'Home', 'Old site', '', NULL, NULL, 'draft', true, '', NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL);
INSERT INTO public.entries VALUES ('0280472f7d243a4e', 'shop', 'link', 'home', 0, 'Shop', '', '', true, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, 'https://shop.example.org/', NULL, NULL, NULL, NULL, NULL, NULL);

INSERT INTO public.knex_migrations VALUES (1, '001_sites', 1, '2026-12-01 13:47:18.95+00');
INSERT INTO public.knex_migrations VALUES (2, '002_pins', 1, '2026-12-01 13:47:18.953+00');
INSERT INTO public.knex_migrations VALUES (3, '003_surround', 1, '2026-12-01 13:47:18.959+00');
INSERT INTO public.knex_migrations VALUES (4, '004_files', 1, '2026-12-01 13:47:18.966+00');
INSERT INTO public.knex_migrations VALUES (5, '005_seen', 1, '2026-12-01 13:47:18.969+00');
INSERT INTO public.knex_migrations VALUES (6, '006_log', 1, '2026-12-01 13:47:18.986+00');
INSERT INTO public.knex_migrations VALUES (7, '007_contents', 1, '2026-12-01 13:47:19.002+00');
INSERT INTO public.knex_migrations VALUES (8, '008_keys', 1, '2026-12-01 13:47:19.007+00');
INSERT INTO public.knex_migrations VALUES (9, '009_room', 1, '2026-12-01 13:47:19.008+00');
INSERT INTO public.knex_migrations VALUES (10, '010_log_text', 1, '2026-12-01 13:47:19.011+00');
INSERT INTO public.knex_migrations VALUES (11, '011_found_files', 1, '2026-12-01 13:47:19.012+00');
INSERT INTO public.knex_migrations VALUES (12, '012_included', 1, '2026-12-01 13:47:19.014+00');

INSERT INTO public.knex_migrations_lock VALUES (1, 0);

INSERT INTO public.sites VALUES ('0280472f7d243a4e', 'home', '{"icon": null, "logo": null, "name": "Old site", "layout": "flat", "baseUrl": "", "tagline": "A tagline", "language": "en", "notFound": null, "ownWords": [], "setAside": [], "extension": ".html", "linkStyle": "relative", "redirects": [], "separator": "-", "namesIndex": true, "carrySection": false, "plannedPages": "left-out", "titlePattern": "{title} · {site}", "homeTitlePattern": "{site}"}', 209, '2026-12-01 13:47:20.374788+00', '{"here": {"form": "link", "here": "here", "bodyId": false, "within": "within", "marksSections": true}, "look": {"here": "bar", "side": "left", "size": 17, "hover": "fill", "width": 68, "colours": {"link": "#17405e", "page": "#fbfaf6", "text": "#1c262d", "accent": "#f2c14e", "visited": "#5b3a78", "menuBack": "#0f2c42", "menuText": "#ffffff", "footerBack": "#0f2c42", "footerText": "#ffffff", "headerBack": "#17405e", "headerText": "#ffffff", "menuVisited": "#d3dde6"}, "menuFont": "sans", "textFont": "serif", "headingFont": "serif"}, "menus": [{"id": "main", "from": {"at": "home"}, "kind": "plan", "name": "Main", "depth": 2, "exceptions": []}], "order": {"scope": "site", "series": []}, "words": {}, "places": {"side": [], "after": [{"id": "pager", "up": false, "kind": "pager", "shows": "both", "beside": false}], "before": [{"id": "breadcrumb", "kind": "breadcrumb", "beside": false}], "footer": [{"id": "copyright", "from": null, "kind": "copyright", "beside": false, "holder": ""}], "header": [{"id": "brand", "kind": "brand", "name": true, "beside": false, "picture": true, "tagline": true}, {"id": "main-menu", "kind": "menu", "menu": "main", "folds": true, "shape": "opening", "beside": false}, {"id": "banner", "kind": "banner", "text": "", "beside": false, "picture": null}]}, "headFiles": {"styles": [], "scripts": [], "ourScript": true, "ourStyles": true}, "templates": null, "breadcrumb": {"data": false, "from": 1, "separator": "chevron", "showsPage": true}}', '00000000-0000-4000-8000-000000000208');

INSERT INTO public.states VALUES ('0280472f7d243a4e', 200, '\x1f8b0800000000000003c556c16edc3610fd15637ca5edecc6b153ddd283d1004d62c0697b08f630224712b114299094d7ee62bfabf77e593124b5d26e1b20b7ee65c921f966e671de507b0814a3b66d806a0f115ba32d41051f2ea6b10083b61db1653359105063a0dfbc810ad2e2ab1b2354d0188c2040a2f7af4f24a37616aa064d20018106f4189d870aae4000bd44b221ed80eb2ef68681b4dd3ec557c36e3c198cfa999d5bec297cb48a5ea08a7e240183416b493d624b012a30d4c42b0e418075f1c18d5641654763047852da938c01aa6f1b015147438f18237976bc4ff3c3c5df7f5dec838e7400019debe9ebd9b669cdb8d64dc85a72ec791c287e085a5176e276f60fe75571c9d143055f8cba6018380808a3f739c83da7222931df112af2507ddb83565041edd12a10b0d57639ad297b2abc0e5ac6d1d3c44cf696c7c7abe4e94114d81eb5bdeac98e3374999d21276bde0f02428703e7e106b2dab620a07186733c01aff95efc22e869febda8337f915eb87ee0b01130f35853e378cf4c08a1927eeceb252b0bdb8913c6c2262e191db05d06374dcf620b9ddb7155d52e7620601c16808d732788d20daf5eb75d9c5197a633e4ce9974c32c9ac6bb3ea77fd81c32d961c62da44f811ab470aca44f792d03ec0199392e5aae2c4543eca05ab3be240dacc054861c7b474ce61e1ae77b168db65b98acf94fc04ec74e73c99781801efd36143187a9b26aa75e3faa8917b1bc057690225b9d6a5e76f4ec5dae24b70b8fa99964348511672ce713477b08d2a58a4baa6130af2927c342745bde239d71a34ff219727bba6cea069b3b3816d5e54aaeefd6aab49764b8bf7df38e219f356333c397efeab778ff1e04a09464d3b9662d57b794286261fe8cf2f474367f2d5e9af4837c93d3de37cd5adeae8bf13f77fe3e87a0de2a45773015d9bf30b2f90ce590f37c702966e6a829a169db9e59d9df64421b9853fd2741b5bae78b575c3877ef2701a6a63ad7478d3ef5c6e754bf8d36865db39f076d72ff72a34fcdfb58256c905e0f713284b2cce20e6965bacf5dee97fb944e3f188cbc2fa943b0b7e95452425544928afe44cd503a3c54f04b5e34585379a618e67396d04cd1b233b37c7258f9594aef5cea5fa54d5917cbe910310d95c7c492b69f52b7cc796afb2517f1347d22f4b25baa27357c7ef5129cecd0b6a90a98d5412f1e163a8ec9c6a28092bf71721bbe4bc0af65f50718f8e1cc3fbb4817ab9fd6ff3b039be38b133a37cc1c94a636e5fc941723fa9662faba7150012ae529303763fa84e9621c427573c350d7f482fd60e8daf9f6864399effc34c3652c9bc3e11ff264e1f845090000');

SELECT pg_catalog.setval('public.knex_migrations_id_seq', 12, true);

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
    ADD CONSTRAINT files_path_site_id_unique UNIQUE (path, site_id) DEFERRABLE INITIALLY DEFERRED;

ALTER TABLE ONLY public.files
    ADD CONSTRAINT files_pkey PRIMARY KEY (site_id, id);

ALTER TABLE ONLY public.knex_migrations_lock
    ADD CONSTRAINT knex_migrations_lock_pkey PRIMARY KEY (index);

ALTER TABLE ONLY public.knex_migrations
    ADD CONSTRAINT knex_migrations_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.entries
    ADD CONSTRAINT one_entry_a_place UNIQUE (parent_id, site_id, place) DEFERRABLE INITIALLY DEFERRED;

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

