import { nodeBuild } from '../scripts/setup/nodeBuild.mjs'

// The thread stands beside what starts it, as it does in the sources (threads/workshop.ts).
export default nodeBuild({ main: 'main.ts', thread: 'threads/tasks.ts', host: '../hosts/standIn/main.ts' })
