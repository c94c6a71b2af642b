import { singlesOf } from '@viatica/core/plan/change/apply.ts'
import type { Change, SingleChange } from '@viatica/core/plan/change/change.ts'
import { guarded, unguarded } from '@viatica/core/plan/change/guard.ts'
import { isWritten } from '@viatica/core/plan/change/over.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { isReplaced } from '@viatica/core/plan/change/replaced.ts'
import { changeWords } from '@viatica/core/plan/change/changeWords.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import type { WindowAt } from '@viatica/core/protocol/windows.ts'
import { Refusal } from '../api/request.ts'
import { EditQueue, type Waiting } from './editQueue.ts'
import { Keeper } from './keeper.ts'
import type { Keeping, Taken, TypedText } from './keeping.ts'
import type { SiteServer } from './server.ts'
import { ServerTalk, wordsOfError } from './serverTalk.ts'
import { type ApartEdit, type ExchangeState, NOTHING, type Tried } from './state.ts'
import { Step } from './step.ts'
import { outcomeOn, takenBack } from './takingBack.ts'
import { TypedTexts } from './typedTexts.ts'

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

/** Who wrote something so recently is told that another window replaced it. */
const RECENT_MS = 300_000

/**
 * The exchange of one site with the server. An edit is applied here at once and posted after; what the server has
 * confirmed is kept apart, so that changes of others can be slipped under the edits that still wait. It goes on until
 * all of them are saved, whatever is shown meanwhile.
 */
export class Exchange {
  readonly #parts: ExchangeParts
  readonly #typed: TypedTexts
  readonly #keeper: Keeper
  readonly #queue = new EditQueue()
  readonly #talk: ServerTalk
  #state = NOTHING
  #isAdopted = false
  /** What was typed in windows that are gone, until the site is read. */
  #left: readonly TypedText[] = []
  #opening: Promise<void> | undefined
  #isClosed = false
  /** Whether it has ended: nothing comes from it any more. */
  #isOver = false
  #settled: (() => void)[] = []

  constructor(parts: ExchangeParts) {
    this.#parts = parts
    const changed = () => this.#show({})
    this.#typed = new TypedTexts(parts, changed)
    this.#keeper = new Keeper(parts, changed)
    const isOver = () => this.#isOver
    const isDone = () => this.#isClosed && !this.#isWaiting
    const saveTrouble = () => this.#state.saveTrouble
    this.#talk = new ServerTalk(
      parts.server,
      this.#queue,
      {
        get isOver() {
          return isOver()
        },
        get isDone() {
          return isDone()
        },
        get saveTrouble() {
          return saveTrouble()
        },
        changed,
        fails: (trouble) => {
          if (trouble === '' || this.#isWaiting) this.#show({ saveTrouble: trouble })
        },
        rebases: () => this.#rebase(),
        read: () => this.#wasRead(),
        prepares: async (site) => parts.prepares?.(site),
        saved: (ids) => this.#keeper.remove(ids),
        replaces: (before, after) => this.#tellReplaced(before, after),
        refuses: (edit, reason) => this.#giveUp(edit, reason),
        gone: (trouble) => this.#gone(trouble),
      },
      parts.wait,
    )
  }

  /** The site as it is shown. @throws before it was read */
  get #site(): Site {
    if (!this.#state.site) throw new Error('The site was not read yet.')
    return this.#state.site
  }

  get state(): ExchangeState {
    return this.#state
  }

  get isOver(): boolean {
    return this.#isOver
  }

  /** Whether nothing waits here, so that it can be forgotten once it is closed. */
  get isIdle(): boolean {
    return !this.#isWaiting && !this.#talk.isRunning && !this.#opening
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
      isKept: this.#keeper.isDone && !this.#typed.isWriting,
      isTyping: this.#typed.isAny,
    }
    this.#parts.shows(this.#state)
    if (this.#queue.length === 0 || this.#state.saveTrouble !== '') {
      for (const settle of this.#settled.splice(0)) settle()
    }
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
    if (this.#queue.confirmed) {
      // It was open before: what others did since comes in its turn.
      this.#hear()
      return this.#talk.runAnew()
    }
    try {
      await this.#adopt()
      await this.#talk.readAnew()
      this.#talk.run()
    } catch (error) {
      this.#show({ trouble: wordsOfError(error) })
      if (!(error instanceof Refusal)) throw error
      // What was taken up is looked after by nobody else: it is saved also where the site is left now.
      if (error.isPassing && this.#isWaiting) this.#talk.runAnew()
    }
  }

  /** Leaves the site: what waits is still saved. */
  close(): void {
    this.#isClosed = true
    this.#talk.stopHearing()
  }

  /** As when the window is gone: nothing goes on. */
  end(): void {
    this.close()
    this.#isOver = true
    this.#keeper.end()
    for (const settle of this.#settled.splice(0)) settle()
  }

  async #adopt(): Promise<void> {
    if (this.#isAdopted) return
    const { edits, typed } = await this.#parts.keeping.adopt(this.#parts.site, this.#parts.window)
    this.#isAdopted = true
    this.#left = typed
    const apart: ApartEdit[] = []
    for (const { id, order, words, change, continues, restores, apart: reason } of edits) {
      this.#keeper.noteOrder(order)
      if (reason !== undefined) apart.push({ id, words, change, reason })
      else
        this.#queue.add({
          ...{ id, order, words, change, isSent: true },
          ...(continues === undefined ? {} : { continues }),
          ...(restores === undefined ? {} : { restores }),
        })
    }
    this.#show({ apart })
  }

  /** Takes up what was left by windows that are gone, now that the site is there. */
  #wasRead(): void {
    if (this.#state.trouble !== '') this.#show({ trouble: '' })
    const left = this.#left
    this.#left = []
    for (const text of left) this.#takeUp(text)
    this.#hear()
  }

  /** Makes an edit of what was typed in a window that is gone; what moves addresses waits for its author. */
  #takeUp(text: TypedText): void {
    // It had become an edit, and only that was not noted any more.
    if (singlesOf(text.change).every((single) => isWritten(this.#site, single)))
      return this.forgetTyped(text.id)
    if (text.waits) return this.#show({ typed: [...this.#state.typed, text] })
    this.useTyped(text)
  }

  /** Makes an edit of a text that was typed. */
  useTyped(text: TypedText): void {
    const refused = this.make(text.change, text.id)
    if (refused !== undefined) {
      const { id, words, change } = text
      this.#apart({ id, words, change, order: this.#keeper.nextOrder() }, refused)
    }
    this.forgetTyped(text.id)
  }

  #hear(): void {
    if (this.#isClosed) return
    this.#talk.hear({
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

  /** Makes the waiting edits on what the server has; those that make no sense any more are set apart. */
  #rebase(): void {
    const { site, lost } = this.#queue.rebase()
    if (this.#isOver) return
    this.#parts.reset?.(site)
    this.#show({ site })
    for (const { edit, reason } of lost) this.#giveUp(edit, reason)
  }

  /** Tells what others replaced of what was saved here a short while ago; a field that is typed in asks by itself. */
  #tellReplaced(before: Site, after: Site): void {
    const replaced = this.#state.done.findLast(
      ({ change, at }) =>
        Date.now() - at < RECENT_MS && !this.#typed.isIn(change) && isReplaced(change, before, after),
    )
    if (replaced)
      this.tell(`Another window replaced what you wrote. It is in the history as: ${replaced.words}`)
  }

  // ——— What cannot be made

  /** Gives an edit up that was shown: it cannot be undone any more, for it was never made. */
  #giveUp(edit: Waiting, reason: string): void {
    const { takesBack, step } = edit
    if (takesBack) {
      // Taking back was refused: the step stands where it stood, and its author is asked on the site as it is.
      const to = takesBack.from === 'done' ? 'undone' : 'done'
      this.#keeper.remove([edit.id])
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
      this.#keeper.remove([id])
      return
    }
    this.#show({ apart: [...this.#state.apart, { id, words, change, reason }], lastWords: '' })
    this.#keeper.putApart({ id, order, words, change }, reason)
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
    this.#keeper.remove([id])
  }

  // ——— Typing

  /** Keeps what is typed into a field and is no edit yet. @param waits whether only its author makes it one */
  keepTyped(id: string, change: Change, waits: boolean): void {
    const { site, window } = this.#parts
    const on = this.#site
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
    const on = this.#site
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
    const words = changeWords(this.#site, change)
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
    const next = { done: [...this.#state.done] }
    const id = crypto.randomUUID()
    const { change } = outcome
    if (this.#queue.isLastUnsent(step.edit)) {
      const { edit, instead } = this.#queue.lengthenLast({ id, words, change })
      step.takePlace(words, change, Date.now(), id, outcome)
      this.#keeper.put(edit, { edit: instead, typed })
      return this.#shown(outcome, words, true, next)
    }
    const continues = step.edit
    step.goOn(words, change, Date.now(), id, outcome)
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
      order: this.#keeper.nextOrder(),
      isSent: false,
    }
    this.#queue.add(waiting)
    this.#keeper.put(waiting, takes)
    this.#shown(outcome, edit.words, goesOn, next)
  }

  #shown({ site, change }: Tried, words: string, goesOn: boolean, next: Partial<ExchangeState>): void {
    this.#parts.made?.(change, goesOn)
    this.#show({ undone: [], ...next, site, lastWords: words })
    this.#talk.run()
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
    const { site } = this.#state
    // There is nothing to undo before the site is read.
    if (!site) return
    const id = crypto.randomUUID()
    const taken = takenBack(site, this.#state, from, { isAnyway, edit: id, at: Date.now() })
    switch (taken?.kind) {
      case undefined:
        return
      case 'asks': {
        const answer = (goesOn: boolean) => {
          this.#show({ question: undefined })
          if (goesOn) this.#takeBack(from, true)
        }
        return this.#show({ question: { ...taken.question, answer } })
      }
      case 'refused':
        return this.#show({ ...taken.steps, notice: taken.notice })
      case 'made': {
        const { steps, outcome, back, words, step } = taken
        this.#perform(outcome, { id, words, step: back, takesBack: { step, from } }, { ...steps, notice: '' })
      }
    }
  }
}
