// TypeScript is read as it stands.
import { register } from 'node:module'

register('./typescriptHooks.mjs', import.meta.url)
process.setSourceMapsEnabled(true)
