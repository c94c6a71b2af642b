// What a thread starts with: from here on it reads TypeScript, and does the tasks of tasks.ts.
import { register } from 'tsx/esm/api'

register()
const tasks = import('./tasks.ts')

export const read = async (task) => (await tasks).read(task)
export const archive = async (task) => (await tasks).archive(task)
export const publication = async (task) => (await tasks).publication(task)
