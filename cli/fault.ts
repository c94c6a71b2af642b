/** Something wrong with what was typed or with the file that was named: one line, and exit status 2. */
export class Fault extends Error {
  override name = 'Fault'
}
