import { nodeBuild } from '../scripts/setup/nodeBuild.mjs'

export default nodeBuild({ main: 'main.ts' })
