import { type Applied, applyChange, singlesOf } from '@viatica/core/plan/change/apply.ts'
import { type Change, changeSchema, type SingleChange } from '@viatica/core/plan/change/change.ts'
import { guarded, unguarded } from '@viatica/core/plan/change/guard.ts'
import { isWritten } from '@viatica/core/plan/change/over.ts'
import { ChangeRefused, WrittenSince } from '@viatica/core/plan/change/refused.ts'
import { applySoundly } from '@viatica/core/plan/change/sound.ts'
import { changeWords } from '@viatica/core/plan/change/changeWords.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { fromSiteData } from '@viatica/core/plan/siteData.ts'
import * as v from 'valibot'
import { Refusal } from '../api/request.ts'
import type { KeptEdit, Keeping, Taken, TypedText } from './keeping.ts'
import type { SavedAnswer, SiteServer, WindowAt } from './server.ts'
import { Step } from './step.ts'
import { TypedTexts } from './typedTexts.ts'

/** A change that holds, with the site after it and what takes it back. */
export interface Tried extends Applied {
  readonly change: Change
}

/** An edit that could not be made, and why. It is kept until its author decides. */
export interface ApartEdit {
  readonly id: string
  readonly words: string
  readonly change: Change
  readonly reason: string
}

/** Something that can only be undone or redone over what others wrote since. */
export interface UndoQuestion {
  readonly isRedo: boolean
  readonly message: string
  /** The part of it that writes over something. */
  readonly change: SingleChange
  /** What stands there now. */
  readonly now: unknown
  /** The site as it would be; undefined where it cannot be undone at all. */
  readonly then: Site | undefined
  /** Undoes it all the same, or lets it be. */
  answer(isAnyway: boolean): void
}

/** What an exchange shows. Never changed in place. */
export interface ExchangeState {
  /** The site with every edit that was made here; undefined while it is read, and when it cannot be shown. */
  readonly site: Site | undefined
  /** Why the site cannot be shown. */
  readonly trouble: string
  /** Why edits cannot be saved just now; empty while they can. */
  readonly saveTrouble: string
  /** How many edits the server has not confirmed. */
  readonly waiting: number
  /** Whether all of them would outlive this window. */
  readonly isKept: boolean
  /** Whether something is typed that is no edit yet. */
  readonly isTyping: boolean
  /** What is to be told to the author. */
  readonly notice: string
  readonly lastWords: string
  readonly done: readonly Step[]
  readonly undone: readonly Step[]
  readonly apart: readonly ApartEdit[]
  /** What was typed in a window that is gone, and is made only when its author says so. */
  readonly typed: readonly TypedText[]
  readonly question: UndoQuestion | undefined
}

const NOTHING: ExchangeState = {
  site: undefined,
  trouble: '',
  saveTrouble: '',
  waiting: 0,
  isKept: true,
  isTyping: false,
  notice: '',
  lastWords: '',
  done: [],
  undone: [],
  apart: [],
  typed: [],
  question: undefined,
}

/** What an exchange is put together from. */
export interface ExchangeParts {
  /** The id of the site. */
  readonly site: string
  /** The id of the window. */
  readonly window: string
  readonly server: SiteServer
  readonly keeping: Keeping
  /** Called whenever there is something else to show. */
  shows(state: ExchangeState): void
  /** Called with every change that is made here. @param goesOn whether it is typed on */
  made?(change: Change, goesOn: boolean): void
  /** Called with a site that did not come from the last one by a change made here. */
  reset?(site: Site): void
  /** Called with a site that was read and is about to be shown, and waited for. */
  prepares?(site: Site): Promise<void>
  /** Called with an edit that could not be made, before it is set apart. @returns whether somebody else keeps it */
  lost?(change: Change): boolean
  /** Called when another window says where it writes. */
  hears?(at: WindowAt): void
  /** Called when something about the publications of the site is new. */
  publishing?(): void
  /** Called when windows can be heard from now on. */
  opened?(): void
  wait?(ms: number): Promise<unknown>
}

/** An edit in line. */
interface Waiting {
  readonly id: string
  readonly order: number
  readonly words: string
  readonly change: Change
  readonly continues?: string
  readonly restores?: number
  readonly step?: Step
  /** Of an edit that undoes or redoes: where its step stood. */
  readonly takesBack?: { readonly step: Step; readonly from: 'done' | 'undone' }
  /** Whether it may have reached the server. */
  isSent: boolean
  /** How often the server failed on it. */
  failures: number
}

const RETRY_FIRST_MS = 1000
const RETRY_LAST_MS = 10_000
/** An edit that the server fails on so often is set apart. */
const MOST_FAILURES = 3
const OWN_ERROR = 'Viatica met an error of its own.'

/** Whether the server fails on the edit itself, rather than being out of reach or out of room. */
function isPoisoned(error: unknown): boolean {
  return !(error instanceof Refusal) || (error.status >= 500 && ![502, 503, 504, 507].includes(error.status))
}

const later = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

/**
 * The exchange of one site with the server. An edit is applied here at once and posted after; what the server has
 * confirmed is kept apart, so that changes of others can be slipped under the edits that still wait. It goes on until
 * all of them are saved, whatever is shown meanwhile.
 */
export class Exchange {
  readonly #parts: ExchangeParts
  readonly #typed: TypedTexts
  #state = NOTHING
  #confirmed: Site | undefined
  #revision = 0
  #stamp: string | null = null
  /** Whether what is confirmed is to be read anew before anything else. */
  #isStale = false
  /** The newest revision that was heard of. */
  #heard: number | undefined
  #queue: readonly Waiting[] = []
  #lastOrder = 0
  #isRunning = false
  #isAdopted = false
  /** What was typed in windows that are gone, until the site is read. */
  #left: readonly TypedText[] = []
  #reading: Promise<void> | undefined
  #opening: Promise<void> | undefined
  #isClosed = false
  /** Whether it has ended: nothing comes from it any more. */
  #isOver = false
  #stopHearing: (() => void) | undefined
  #keepings = 0
  #settled: (() => void)[] = []

  constructor(parts: ExchangeParts) {
    this.#parts = parts
    this.#typed = new TypedTexts(parts, () => this.#show({}))
  }

  get state(): ExchangeState {
    return this.#state
  }

  get isOver(): boolean {
    return this.#isOver
  }

  /** Whether nothing waits here, so that it can be forgotten once it is closed. */
  get isIdle(): boolean {
    return !this.#isWaiting && !this.#isRunning && !this.#opening
  }

  /** Whether something is to be saved. */
  get #isWaiting(): boolean {
    return this.#queue.length > 0 || this.#left.length > 0
  }

  #show(next: Partial<ExchangeState>): void {
    if (this.#isOver) return
    this.#state = {
      ...this.#state,
      ...next,
      waiting: this.#queue.length,
      isKept: this.#keepings === 0 && !this.#typed.isWriting && this.#parts.keeping.isLasting,
      isTyping: this.#typed.isAny,
    }
    this.#parts.shows(this.#state)
    if (this.#queue.length === 0 || this.#state.saveTrouble !== '') {
      for (const settle of this.#settled.splice(0)) settle()
    }
  }

  /** Shows a site that did not come from the last one by a change made here. */
  #reset(site: Site, next: Partial<ExchangeState> = {}): void {
    if (this.#isOver) return
    this.#parts.reset?.(site)
    this.#show({ site, ...next })
  }

  tell(notice: string): void {
    this.#show({ notice })
  }

  // ——— Opening and leaving

  /** Reads the site, takes up the edits that wait since an earlier window, and hears of others from now on. */
  open(): Promise<void> {
    this.#isClosed = false
    this.#opening ??= this.#open().finally(() => (this.#opening = undefined))
    return this.#opening
  }

  async #open(): Promise<void> {
    this.#show({ trouble: '' })
    if (this.#confirmed) {
      // It was open before: what others did since comes in its turn.
      this.#isStale = true
      this.#hear()
      return this.#run()
    }
    try {
      await this.#adopt()
      await this.#readAnew()
      this.#run()
    } catch (error) {
      this.#show({ trouble: error instanceof Refusal ? error.message : OWN_ERROR })
      if (!(error instanceof Refusal)) throw error
      if (!error.isPassing || !this.#isWaiting) return
      // What was taken up is looked after by nobody else: it is saved also where the site is left now.
      this.#isStale = true
      this.#run()
    }
  }

  /** Leaves the site: what waits is still saved. */
  close(): void {
    this.#isClosed = true
    this.#stopHearing?.()
    this.#stopHearing = undefined
  }

  /** As when the window is gone: nothing goes on. */
  end(): void {
    this.close()
    this.#isOver = true
    for (const settle of this.#settled.splice(0)) settle()
  }

  async #adopt(): Promise<void> {
    if (this.#isAdopted) return
    const { edits, typed } = await this.#parts.keeping.adopt(this.#parts.site, this.#parts.window)
    this.#isAdopted = true
    this.#left = typed
    const apart: ApartEdit[] = []
    for (const { id, order, words, change, continues, restores, apart: reason } of edits) {
      this.#lastOrder = Math.max(this.#lastOrder, order)
      if (reason !== undefined) apart.push({ id, words, change, reason })
      else
        this.#queue = [
          ...this.#queue,
          {
            ...{ id, order, words, change, isSent: true, failures: 0 },
            ...(continues === undefined ? {} : { continues }),
            ...(restores === undefined ? {} : { restores }),
          },
        ]
    }
    this.#show({ apart })
  }

  /** Makes an edit of what was typed in a window that is gone; what moves addresses waits for its author. */
  #takeUp(text: TypedText): void {
    // It had become an edit, and only that was not noted any more.
    if (singlesOf(text.change).every((single) => isWritten(this.#state.site!, single)))
      return this.forgetTyped(text.id)
    if (text.waits) return this.#show({ typed: [...this.#state.typed, text] })
    this.useTyped(text)
  }

  /** Makes an edit of a text that was typed. */
  useTyped(text: TypedText): void {
    const refused = this.make(text.change, text.id)
    if (refused !== undefined) {
      const { id, words, change } = text
      this.#apart({ id, words, change, order: this.#nextOrder() }, refused)
    }
    this.forgetTyped(text.id)
  }

  #hear(): void {
    if (this.#stopHearing || this.#isClosed) return
    this.#stopHearing = this.#parts.server.hear({
      revision: (newest) => {
        this.#heard = newest
        this.#run()
      },
      removed: () => this.#gone('This site was removed in another window.'),
      window: (at) => this.#parts.hears?.(at),
      publishing: () => this.#parts.publishing?.(),
      opened: () => this.#parts.opened?.(),
    })
  }

  #gone(trouble: string): void {
    this.#show({ site: undefined, trouble })
    this.end()
  }

  /** Waits for edits that are on their way. @returns whether all are saved now; not while saving fails */
  async settle(): Promise<boolean> {
    if (this.#queue.length > 0 && this.#state.saveTrouble === '' && !this.#isOver)
      await new Promise<void>((resolve) => this.#settled.push(resolve))
    return this.#queue.length === 0
  }

  // ——— The server

  /** Posts what waits and takes in what others did, one after the other, until there is nothing left to do. */
  #run(): void {
    if (this.#isRunning || this.#isOver) return
    this.#isRunning = true
    void this.#loop()
  }

  async #loop(): Promise<void> {
    let pause = RETRY_FIRST_MS
    try {
      while (!this.#isOver) {
        const first = this.#queue[0]
        if (!first && !this.#isStale && (this.#heard ?? this.#revision) === this.#revision) return
        if (this.#isClosed && !this.#isWaiting) return
        try {
          if (this.#isStale) await this.#readAnew()
          else if (first) await this.#post(first)
          else await this.#catchUp()
          pause = RETRY_FIRST_MS
          if (this.#state.saveTrouble !== '') this.#show({ saveTrouble: '' })
        } catch (error) {
          if (this.#isOver) return
          if (this.#isDealtWith(error, this.#isStale ? undefined : first)) continue
          if (this.#isWaiting)
            this.#show({ saveTrouble: error instanceof Refusal ? error.message : OWN_ERROR })
          await (this.#parts.wait ?? later)(pause)
          pause = Math.min(pause * 2, RETRY_LAST_MS)
        }
      }
    } finally {
      this.#isRunning = false
      this.#show({})
    }
  }

  /** Deals with an error that trying again would not fix. @returns whether it is one */
  #isDealtWith(error: unknown, edit: Waiting | undefined): boolean {
    if (error instanceof Refusal && error.status === 404 && edit?.restores === undefined) {
      this.#gone(error.message)
      return true
    }
    if (!edit) return false
    if (error instanceof Refusal && !error.isPassing) {
      this.#refuse(edit, error.message)
      return true
    }
    if (!isPoisoned(error) || ++edit.failures < MOST_FAILURES) return false
    this.#refuse(edit, error instanceof Refusal ? error.message : OWN_ERROR)
    return true
  }

  /** Takes an edit out of line that the server does not make; the rest goes on without it. */
  #refuse(edit: Waiting, reason: string): void {
    this.#queue = this.#queue.filter((one) => one !== edit)
    this.#isStale = true
    this.#giveUp(edit, reason)
  }

  async #post(edit: Waiting): Promise<void> {
    const { server } = this.#parts
    edit.isSent = true
    const sent = {
      id: edit.id,
      base: this.#revision,
      ...(this.#stamp === null ? {} : { stamp: this.#stamp }),
    }
    if (edit.restores !== undefined) {
      const { words, restores } = edit
      const { change, ...saved } = await server.restore({ ...sent, words }, restores)
      if (!this.#isOver) this.#confirm(edit, saved, change)
    } else {
      const { change, continues } = edit
      const saved = await server.save({ ...sent, ...(continues === undefined ? {} : { continues }), change })
      if (!this.#isOver) this.#confirm(edit, saved, change)
    }
  }

  /** Takes in that the server made an edit, after what others did. @param change what it made of it, where it says */
  #confirm(edit: Waiting, { revision, missed }: SavedAnswer, change: Change | undefined): void {
    this.#queue = this.#queue.filter((one) => one !== edit)
    this.#keep(() => this.#parts.keeping.removeEdits([edit.id]))
    // It was made before what is confirmed was read.
    if (revision <= this.#revision && missed !== null) return this.#rebase()
    if (missed === null || !change) {
      this.#isStale = true
      return this.#show({})
    }
    try {
      for (const one of missed) if (one.revision > this.#revision) this.#takeIn(one.change, one.id)
      const applied = this.#takeIn(change, edit.id)
      this.#revision = revision
      if (missed.length === 0 && edit.restores === undefined) return this.#show({})
      edit.step?.settle(edit.id, applied)
      this.#rebase()
    } catch (error) {
      this.#distrust(error)
    }
  }

  /** Makes a change of the server's on what is confirmed. An edit of ours in it waits no more. */
  #takeIn(change: Change, id: string): Applied {
    const applied = applyChange(this.#confirmed!, change)
    this.#confirmed = applied.site
    this.#stamp = id
    const ours = this.#queue.find((one) => one.id === id)
    if (ours) {
      this.#queue = this.#queue.filter((one) => one !== ours)
      this.#keep(() => this.#parts.keeping.removeEdits([id]))
    }
    return applied
  }

  /** Takes in what other windows changed. */
  async #catchUp(): Promise<void> {
    const heard = this.#heard
    const { revision, changes } = await this.#parts.server.changesAfter(this.#revision)
    if (this.#isOver) return
    // What was heard meanwhile may be newer than the answer.
    if (this.#heard === heard) this.#heard = undefined
    if (changes === null) this.#isStale = true
    else if (changes.length > 0) {
      try {
        for (const one of changes) if (one.revision > this.#revision) this.#takeIn(one.change, one.id)
        this.#revision = revision
        this.#rebase()
      } catch (error) {
        this.#distrust(error)
      }
    }
  }

  /** What was made there cannot be made here: what is confirmed is not what the server has. */
  #distrust(error: unknown): void {
    this.#isStale = true
    if (!(error instanceof ChangeRefused)) throw error
    this.#show({})
  }

  #readAnew(): Promise<void> {
    this.#reading ??= this.#read().finally(() => (this.#reading = undefined))
    return this.#reading
  }

  async #read(): Promise<void> {
    const { server, keeping } = this.#parts
    const answer = await server.read()
    const sent = this.#queue.filter(({ isSent }) => isSent).map(({ id }) => id)
    const made = sent.length === 0 ? [] : await server.editsMade(sent)
    const site = fromSiteData(answer.site)
    await this.#parts.prepares?.(site)
    if (this.#isOver) return
    this.#confirmed = site
    this.#revision = answer.revision
    this.#stamp = answer.stamp
    this.#isStale = false
    const there = new Set(made.flatMap(({ id, revision }) => (revision <= answer.revision ? [id] : [])))
    if (there.size > 0) {
      this.#queue = this.#queue.filter(({ id }) => !there.has(id))
      this.#keep(() => keeping.removeEdits([...there]))
    }
    this.#rebase()
    if (this.#state.trouble !== '') this.#show({ trouble: '' })
    const left = this.#left
    this.#left = []
    for (const text of left) this.#takeUp(text)
    this.#hear()
  }

  /** Makes the waiting edits on what the server has; those that make no sense any more are set apart. */
  #rebase(): void {
    let next = this.#confirmed!
    const lost: { edit: Waiting; reason: string }[] = []
    this.#queue = this.#queue.filter((edit) => {
      try {
        const applied = applySoundly(next, edit.change)
        next = applied.site
        edit.step?.settle(edit.id, applied)
        return true
      } catch (error) {
        if (!(error instanceof ChangeRefused)) throw error
        lost.push({ edit, reason: error.message })
        return false
      }
    })
    this.#reset(next)
    for (const { edit, reason } of lost) this.#giveUp(edit, reason)
  }

  // ——— What cannot be made

  /** Gives an edit up that was shown: it cannot be undone any more, for it was never made. */
  #giveUp(edit: Waiting, reason: string): void {
    const { takesBack, step } = edit
    if (takesBack) {
      // Taking back was refused: the step stands where it stood, and its author is asked on the site as it is.
      const to = takesBack.from === 'done' ? 'undone' : 'done'
      this.#keep(() => this.#parts.keeping.removeEdits([edit.id]))
      this.#show({
        [takesBack.from]: [...this.#state[takesBack.from], takesBack.step],
        [to]: this.#state[to].filter((one) => one !== step),
        notice: `This could not be ${takesBack.from === 'done' ? 'undone' : 'redone'}: ${reason}`,
      })
      return
    }
    this.#show({ done: this.#state.done.filter((one) => one !== step) })
    this.#apart(edit, reason)
  }

  /** Keeps an edit that could not be made, until its author decides. */
  #apart(edit: Pick<Waiting, 'id' | 'words' | 'change' | 'order'>, reason: string): void {
    const { id, words, change, order } = edit
    if (this.#parts.lost?.(change)) {
      this.#keep(() => this.#parts.keeping.removeEdits([id]))
      return
    }
    this.#show({ apart: [...this.#state.apart, { id, words, change, reason }], lastWords: '' })
    const { site, window, keeping } = this.#parts
    this.#keep(() => keeping.putEdit({ id, site, window, order, words, change, apart: reason }))
  }

  /** Makes an edit again that was set apart, whatever stands there by now. */
  tryAgain({ id, change, words }: ApartEdit): void {
    const refused = this.make(unguarded(change))
    if (refused === undefined) this.discard(id)
    else
      this.#show({
        apart: this.#state.apart.map((one) => (one.id === id ? { id, change, words, reason: refused } : one)),
      })
  }

  /** Throws an edit away that was set apart. */
  discard(id: string): void {
    this.#show({ apart: this.#state.apart.filter((one) => one.id !== id) })
    this.#keep(() => this.#parts.keeping.removeEdits([id]))
  }

  // ——— Keeping

  #nextOrder(): number {
    return (this.#lastOrder = Math.max(this.#lastOrder + 1, Date.now() * 1000))
  }

  /** Keeps something, or forgets it; what is kept is told by the state. */
  #keep(work: () => Promise<void>): void {
    if (this.#isOver) return
    this.#keepings++
    void work().finally(() => {
      this.#keepings--
      this.#show({})
    })
  }

  #keepEdit({ id, order, words, change, continues, restores }: Waiting, takes: Taken): void {
    const { site, window, keeping } = this.#parts
    const kept: KeptEdit = {
      ...{ id, site, window, order, words, change },
      ...(continues === undefined ? {} : { continues }),
      ...(restores === undefined ? {} : { restores }),
    }
    this.#keep(() => keeping.putEdit(kept, takes))
  }

  /** Keeps what is typed into a field and is no edit yet. @param waits whether only its author makes it one */
  keepTyped(id: string, change: Change, waits: boolean): void {
    const { site, window } = this.#parts
    const on = this.#state.site!
    const words = changeWords(on, change)
    this.#typed.put({ id, site, window, words, change: guarded(on, change), waits })
  }

  /** What was typed into a field has become an edit, or was taken back. */
  forgetTyped(id: string): void {
    if (this.#state.typed.some((one) => one.id === id))
      this.#show({ typed: this.#state.typed.filter((one) => one.id !== id) })
    this.#typed.remove(id)
  }

  // ——— Editing

  /** The last change that was tried out: an author who is asked about a change mostly makes it then. */
  #tried: { change: Change; on: Site; outcome: Tried | ChangeRefused } | undefined

  #outcomeOf(change: Change): Tried | ChangeRefused {
    const on = this.#state.site!
    if (this.#tried?.change !== change || this.#tried.on !== on)
      this.#tried = { change, on, outcome: outcomeOn(on, change) }
    return this.#tried.outcome
  }

  /** What a change would make of the site, without making it; or why it is refused, in words for the author. */
  tryOut(change: Change): Tried | string {
    const outcome = this.#outcomeOf(change)
    return outcome instanceof ChangeRefused ? outcome.message : outcome
  }

  /**
   * Makes a change. @param typing what tells one visit to a field from the next, for what is typed: what was kept of
   * it has become this edit
   * @returns why it was refused, in words for the author; undefined when it was made
   */
  make(change: Change, typing?: string): string | undefined {
    const outcome = this.#outcomeOf(change)
    if (outcome instanceof ChangeRefused) return outcome.message
    const words = changeWords(this.#state.site!, change)
    const last = this.#state.undone.length === 0 ? this.#state.done.at(-1) : undefined
    if (last?.goesOn(outcome.change, typing, Date.now())) this.#goOn(last, outcome, words, typing)
    else {
      const id = crypto.randomUUID()
      const step = new Step(words, outcome.change, Date.now(), typing, id, outcome)
      this.#perform(outcome, { id, words, step }, { done: [...this.#state.done, step] }, { typed: typing })
    }
    return undefined
  }

  /** Takes in a change that is typed on; as long as the one before was not sent, it takes that one's place. */
  #goOn(step: Step, outcome: Tried, words: string, typed: string | undefined): void {
    const last = this.#queue.at(-1)
    const next = { done: [...this.#state.done] }
    const id = crypto.randomUUID()
    if (last?.id === step.edit && !last.isSent) {
      const { over } = last.change as { over?: string }
      const { over: _, ...change } = outcome.change as SingleChange & { over?: string }
      const longer: Waiting = {
        ...last,
        id,
        words,
        change: { ...change, ...(over === undefined ? {} : { over }) } as SingleChange,
      }
      this.#queue = [...this.#queue.slice(0, -1), longer]
      step.takePlace(words, outcome.change, Date.now(), id, outcome)
      this.#keepEdit(longer, { edit: last.id, typed })
      return this.#shown(outcome, words, true, next)
    }
    const continues = step.edit
    step.goOn(words, outcome.change, Date.now(), id, outcome)
    this.#perform(outcome, { id, words, step, continues }, next, { typed }, true)
  }

  /** Shows what a change made of the site and puts it in line to be saved. */
  #perform(
    outcome: Tried,
    edit: Pick<Waiting, 'id' | 'words'> & Partial<Waiting>,
    next: Partial<ExchangeState>,
    takes: Taken = {},
    goesOn = false,
  ): void {
    const waiting: Waiting = {
      ...edit,
      change: outcome.change,
      order: this.#nextOrder(),
      isSent: false,
      failures: 0,
    }
    this.#queue = [...this.#queue, waiting]
    this.#keepEdit(waiting, takes)
    this.#shown(outcome, edit.words, goesOn, next)
  }

  #shown({ site, change }: Tried, words: string, goesOn: boolean, next: Partial<ExchangeState>): void {
    this.#parts.made?.(change, goesOn)
    this.#show({ undone: [], ...next, site, lastWords: words })
    this.#run()
  }

  /** Goes back to an earlier revision. @param change what that does here @returns why it was refused */
  goBack(to: number, change: Change, words: string): string | undefined {
    const outcome = this.#outcomeOf({ kind: 'batch', words, changes: [change as SingleChange] })
    if (outcome instanceof ChangeRefused) return outcome.message
    const id = crypto.randomUUID()
    const step = new Step(words, outcome.change, Date.now(), undefined, id, outcome)
    this.#perform(outcome, { id, words, step, restores: to }, { done: [...this.#state.done, step] })
    return undefined
  }

  undo(): void {
    this.#takeBack('done', false)
  }

  redo(): void {
    this.#takeBack('undone', false)
  }

  #takeBack(from: 'done' | 'undone', isAnyway: boolean): void {
    const step = this.#state[from].at(-1)
    if (!step) return
    const told = `${from === 'done' ? 'Undone' : 'Redone'}: ${step.words}`
    const outcome = outcomeOn(this.#state.site!, step.takingBack(told, isAnyway))
    if (outcome instanceof WrittenSince) {
      const answer = (goesOn: boolean) => {
        this.#show({ question: undefined })
        if (goesOn) this.#takeBack(from, true)
      }
      const { message, change, now } = outcome
      const anyway = outcomeOn(this.#state.site!, step.takingBack(told, true))
      const then = anyway instanceof ChangeRefused ? undefined : anyway.site
      return this.#show({ question: { isRedo: from === 'undone', message, change, now, then, answer } })
    }
    const rest = this.#state[from].slice(0, -1)
    if (outcome instanceof ChangeRefused)
      return this.#show({
        [from]: rest,
        notice: `This can no longer be ${from === 'done' ? 'undone' : 'redone'}: ${outcome.message}`,
      })
    const to = from === 'done' ? 'undone' : 'done'
    const id = crypto.randomUUID()
    const back = new Step(step.words, outcome.change, Date.now(), undefined, id, outcome)
    const stacks = { undone: this.#state.undone, [from]: rest, [to]: [...this.#state[to], back] }
    this.#perform(
      outcome,
      { id, words: told, step: back, takesBack: { step, from } },
      { ...stacks, notice: '' },
    )
  }
}

/** What a change makes of a site; or why it is refused. */
function outcomeOn(site: Site, change: Change): Tried | ChangeRefused {
  const checked = v.safeParse(changeSchema, change)
  if (!checked.success) return new ChangeRefused(checked.issues[0].message)
  try {
    return { change: checked.output, ...applySoundly(site, checked.output) }
  } catch (error) {
    if (error instanceof ChangeRefused) return error
    throw error
  }
}
