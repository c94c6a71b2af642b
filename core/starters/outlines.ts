import type { Settings } from '../plan/site.ts'
import type { OwnWords } from '../plan/surround/siteWords.ts'

/** An outline to start a site from. */
export interface Starter {
  readonly key: string
  readonly name: string
  /** Whom it is for, in one line. */
  readonly about: string
  /** The pages under the home page, as an indented list. */
  readonly list: string
  readonly settings: Partial<Settings>
  /** How many levels the main menu shows. */
  readonly menuDepth: 1 | 2
  readonly words?: OwnWords
}

export const STARTERS: readonly Starter[] = [
  {
    key: 'organisation',
    name: 'A small organisation',
    about: 'a club, a trust, a practice: what you offer, when, where and who you are',
    settings: { layout: 'nested' },
    menuDepth: 2,
    list: `About us
  Our story
  People
  Annual reports
What we do
  Activities
  For schools
Visit us
  Opening times
  Getting here
  Access
Take part
  Become a member
  Volunteer
  Donate
News
Contact
Privacy`,
  },
  {
    key: 'course',
    name: 'A course in lessons',
    about: 'lessons that follow one another, each with its exercise',
    settings: { layout: 'nested' },
    menuDepth: 2,
    words: { previous: 'Lesson before', next: 'Next lesson' },
    list: `About this course
  Who it is for
  What you need
Lesson 1: First steps
  Exercise 1
Lesson 2: The tools
  Exercise 2
Lesson 3: A first piece of work
  Exercise 3
Lesson 4: Going further
  Exercise 4
Lesson 5: Putting it together
  Exercise 5
Glossary
Further reading`,
  },
  {
    key: 'handbook',
    name: 'A handbook in chapters',
    about: 'chapters and sections in one folder, their file names carrying the chapter',
    settings: { layout: 'flat', carrySection: true },
    menuDepth: 1,
    list: `Preface
Getting started
  Before you begin
  Setting up
  A first run
Everyday work
  Daily tasks
  Weekly tasks
  Keeping records
When things go wrong
  Finding the fault
  Putting it right
  Whom to ask
Reference
  Terms
  Forms
Index of subjects`,
  },
]
