// What a thread that shows pages starts with: from here on it reads TypeScript, and does the tasks of showTasks.ts.
import { register } from 'tsx/esm/api'

register()
const tasks = import('./showTasks.ts')

export const show = async (task) => (await tasks).show(task)
export const wayBack = async (task) => (await tasks).wayBack(task)
