// What a thread that writes starts with: from here on it reads TypeScript, and does the tasks of writeTasks.ts.
import { register } from 'tsx/esm/api'

register()
const tasks = import('./writeTasks.ts')

export const archive = async (task) => (await tasks).archive(task)
export const create = async (task) => (await tasks).create(task)
export const pin = async (task) => (await tasks).pin(task)
export const publication = async (task) => (await tasks).publication(task)
