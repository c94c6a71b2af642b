import { nodeBuild } from '../scripts/setup/nodeBuild.mjs'

// The threads stand beside what starts them, as they do in the sources (threads/workshop.ts).
export default nodeBuild({
  main: 'main.ts',
  read: 'threads/readTasks.ts',
  write: 'threads/writeTasks.ts',
  show: 'threads/showTasks.ts',
  host: '../hosts/standIn/main.ts',
})
