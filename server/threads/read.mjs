// What a thread that reads starts with: from here on it reads TypeScript, and does the tasks of readTasks.ts.
import { register } from 'tsx/esm/api'

register()
const tasks = import('./readTasks.ts')

export const read = async (task) => (await tasks).read(task)
