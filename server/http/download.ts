import { soundFileName } from '@viatica/core/standard/fileName.ts'
import type { Response } from 'express'

/** Says that an answer is a file to keep, under a name made from the site's. */
export function asDownload(response: Response, name: string, ending: string): void {
  response.attachment(soundFileName(name, '-') + ending)
}
