/** Where the list of the files stands that are needed after the first screen (laterFilesPlugin.ts). */
export const LATER_FILES = '/later.json'
