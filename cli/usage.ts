/** How each command is called. */
export const USAGE = {
  build:
    'viatica build FILE or DIR --out DIR [--layout flat|nested|folders|own] [--base-url URL] [--menu-depth 1|2|3]',
  bring: 'viatica bring DIR or ZIP --out FILE [--report FILE] [--fix all] [--json]',
  publish: 'viatica publish FILE or DIR --to HOST [--dry-run] [--json]',
} as const
