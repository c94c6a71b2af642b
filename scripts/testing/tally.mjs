import { stripVTControlCharacters } from 'node:util'

/** How many lines of a failure's message the summary repeats, and how long each may be. */
const MESSAGE_LINES = 8
const LINE_LENGTH = 240

/** Counts what passed and failed over all runners, and repeats the failures at the end of the run. */
export class Tally {
  passed = 0
  failed = 0
  #failures = []

  /** Remembers a failed test by its name and the first lines of its message. */
  remember(name, message = '') {
    const lines = stripVTControlCharacters(message)
      .split('\n')
      .filter((line) => line.trim() !== '')
      .slice(0, MESSAGE_LINES)
      .map((line) => `    ${line.slice(0, LINE_LENGTH)}`)
    this.#failures.push([name, ...lines].join('\n'))
  }

  /** Adds what a runner counted; a runner that ended with an error and counted no failure failed as a whole. */
  add(name, endedWell, passed, failed) {
    this.passed += passed
    this.failed += failed > 0 || endedWell ? failed : 1
    console.log(`${endedWell ? 'passed' : 'FAILED'}: ${name}`)
  }

  /** Prints the failures, then the line that CI reads. */
  print() {
    for (const failure of this.#failures) console.log(failure)
    console.log(`${this.passed} passed, ${this.failed} failed`)
  }
}
