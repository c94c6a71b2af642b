import pg from 'pg'

/** The rows of a database, to be brought back when somebody has changed them. */
export interface KeptRows {
  /** Brings them back, each site under a new id: whoever still knows the one before knows nothing of this one. */
  bringBack(): Promise<void>
  end(): Promise<void>
}

/** Keeps a copy of every row beside them. */
export async function keepRows(databaseUrl: string): Promise<KeptRows> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  // Rows come back in any order, and are as they were: what they refer to is there in the end.
  await client.query("set session_replication_role = 'replica'; create schema kept")
  const { rows } = await client.query<{ name: string }>(
    "select tablename as name from pg_tables where schemaname = 'public' and tablename not like 'knex%'",
  )
  const tables = rows.map(({ name }) => name)
  for (const table of tables) await client.query(`create table kept.${table} as table public.${table}`)
  const back = tables.map((table) => `insert into public.${table} table kept.${table};`).join('\n')
  const ofSites = await client.query<{ name: string }>(
    "select table_name as name from information_schema.columns where table_schema = 'public' and column_name = 'site_id'",
  )
  const renamed = [
    'create temporary table renamed on commit drop as select id as old, md5(random()::text) as new from sites;',
    'update sites set id = new from renamed where id = old;',
    ...ofSites.rows.map(({ name }) => `update ${name} set site_id = new from renamed where site_id = old;`),
  ].join('\n')
  return {
    async bringBack() {
      await client.query(`begin; truncate ${tables.join(', ')}; ${back} ${renamed} commit;`)
    },
    end: () => client.end(),
  }
}
