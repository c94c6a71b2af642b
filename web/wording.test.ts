import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { type ElementNode, NodeTypes, type TemplateChildNode } from '@vue/compiler-dom'
import ts from 'typescript'
import { parse } from 'vue/compiler-sfc'

const ROOT = fileURLToPath(new URL('..', import.meta.url))

/** A text of the interface, and the file that it is in. */
interface Text {
  readonly file: string
  readonly text: string
}

/** What is said by the attributes of elements and the properties of components. */
const SAID_BY = new Set([
  'label',
  'title',
  'aria-label',
  'placeholder',
  'alt',
  'description',
  'message',
  'details-label',
])

/** The texts in a script: what is imported, and what stands for a type, is none. */
function* textsOfScript(source: string): Generator<string> {
  const waiting: ts.Node[] = [ts.createSourceFile('script.ts', source, ts.ScriptTarget.Latest)]
  for (let node = waiting.pop(); node; node = waiting.pop()) {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node) || ts.isCaseClause(node)) continue
    if (
      ts.isStringLiteralLike(node) ||
      ts.isTemplateHead(node) ||
      ts.isTemplateMiddle(node) ||
      ts.isTemplateTail(node)
    )
      yield node.text
    node.forEachChild((child) => void waiting.push(child))
  }
}

function* textsOfElement({ props, children }: ElementNode): Generator<string> {
  for (const prop of props) {
    if (prop.type === NodeTypes.ATTRIBUTE) {
      if (SAID_BY.has(prop.name) && prop.value) yield prop.value.content
    } else if (prop.exp?.type === NodeTypes.SIMPLE_EXPRESSION) yield* textsOfScript(`(${prop.exp.content})`)
  }
  yield* textsOfTemplate(children)
}

function* textsOfTemplate(nodes: readonly TemplateChildNode[]): Generator<string> {
  for (const node of nodes) {
    if (node.type === NodeTypes.TEXT) yield node.content
    else if (node.type === NodeTypes.ELEMENT) yield* textsOfElement(node)
    else if (node.type === NodeTypes.INTERPOLATION && node.content.type === NodeTypes.SIMPLE_EXPRESSION)
      yield* textsOfScript(`(${node.content.content})`)
  }
}

function* textsOf(file: string): Generator<Text> {
  const source = readFileSync(`${ROOT}/${file}`, 'utf8')
  const { descriptor } = parse(file.endsWith('.vue') ? source : `<script lang="ts">${source}</script>`)
  const texts = [
    ...textsOfScript(descriptor.script?.content ?? ''),
    ...textsOfScript(descriptor.scriptSetup?.content ?? ''),
    ...textsOfTemplate(descriptor.template?.ast?.children ?? []),
  ]
  for (const text of texts) yield { file, text: text.replace(/\s+/g, ' ').trim() }
}

const files = ['web', 'core', 'server'].flatMap((folder) =>
  readdirSync(`${ROOT}/${folder}`, { recursive: true, encoding: 'utf8' })
    .filter(
      (name) =>
        /\.(?:vue|ts)$/.test(name) &&
        !/(?:^|\/)(?:dist|node_modules|testing|migrations)\/|\.test\.ts$|\.d\.ts$/.test(name),
    )
    .map((name) => `${folder}/${name}`),
)
const texts = files.flatMap((file) => [...textsOf(file)])

/** Words that were found odd by who did not know them: whole texts, and words within texts. */
const WHOLE = [
  'Leave it',
  'Keep',
  'Not now',
  'Take all',
  'Keys',
  'Its name',
  'Start',
  'Beside',
  'Fold',
  'Unfold',
  'Figures',
  'Brand',
  'Pager',
  'Side',
  'Called',
  'Marks',
  'Look',
  'Words',
  'in full',
  'Strong',
  'Emphasis',
  'Rule',
  'No link',
  'Promote',
  'Demote',
  'Faults',
  'Doubts',
  'Walk',
  'Tick',
  'Untick',
  'Seen',
  'Looked at',
  'Set aside',
]
const WITHIN = [
  /\bTake away\b/,
  /\bTake these\b/,
  /\bfor good\b/,
  /\bTaken back\b/,
  /\bDone again\b/,
  /\bIt starts with\b/,
  /\bFrom a file\b/,
  /\bdoubts?\b/i,
  /\bstands further in\b/,
  /\bmoves addresses\b/,
  /\buntil this window\b/,
  /\bShape the plan\b/,
  /\bunder the one before\b/,
  /\bout one level\b/,
  /\bamong its siblings\b/,
  /\bwill stand last\b/,
  /\bname in menus\b/i,
  /\bin the window:/,
  /\bFirst heading\b/,
  /\bStands in\b/,
  /\bBefore and after it\b/,
  /\bWrite its main\b/,
  /\bNote to yourself\b/,
  /\bPinned at another\b/,
  /\bHow files are named\b/,
  /\bFiles stand\b/,
  /\bcarry those of\b/,
  /\bparted by\b/,
  /\bLinks are written\b/,
  /\bPublished address\b/i,
  /\bstand-in page\b/,
  /\bMade by\b/,
  /\bRead back\b/i,
  /^has …/,
  /\bkept for you\b/,
  /\bat the most from\b/,
  /\bGo(?:ne)? back\b/,
  /\bPicked links\b/,
  /\bOwn HTML\b/i,
  /\bPlace (?:before|after)\b/,
  /\bin one row with\b/,
  /\bwho do not see it\b/,
  /\bwho hear the page\b/,
  /\bDrawn as\b/,
  /\bfolds behind\b/,
  /\bnowhere yet\b/,
  /\bitems above it\b/,
  /\bBetween its links\b/,
  /\bas data for search\b/,
  /\bLead through\b/,
  /\bAs at the start\b/,
  /\bone width\b/,
  /\bPointed at\b/,
  /\bLink past\b/,
  /\bone from elsewhere\b/,
  /\bwherever nothing else\b/,
  /\bof no known type\b/,
  /\blarger than is accepted\b/,
  /\bAs it reads\b/,
  /\bAs source\b/,
  /\bBring in Markdown\b/,
  /\bbelow the text\b/,
  /\bTake one in\b/,
  /\bPut it in\b/,
  /\bonly decorates\b/,
  /\bLead elsewhere\b/,
  /\bgets an id\b/,
  /\bthat come in\b/,
  /\bmenus may\b/,
  /\bstands in a dictionary\b/,
  /\bIt is right\b/,
  /^Take .+ out$/,
  /\bway of writing\b/,
  /\bSave mine\b/,
  /\bTake the other\b/,
  /\bMend(?:ed)?\b/i,
  /\bPut together\b/i,
  /\bIt stays so\b/,
  /^After(?: WCAG|$)/,
  /\bNo way of links\b/,
  /\bNothing of the site stands\b/,
  /\bno such part\b/,
  /\bWalk (?:the|again)\b/,
  /\bas (?:it|they) must be\b/,
  /\bLinks in figures\b/,
  /\bnot looked at\b/,
  /\bset aside\b/i,
]

/** What stands in the code and is never shown. */
const isShown = ({ text }: Text) =>
  /[a-z]/i.test(text) && (/\s/.test(text) || /^[A-Z]/.test(text) || WHOLE.includes(text))

test('texts are found where they stand: in templates, attributes, expressions and scripts', () => {
  const all = new Set(texts.map(({ text }) => text))
  for (const text of [
    'Download site',
    'Edit the outline',
    'Add subpage',
    'Collapse',
    'Menu label',
    'Address settings',
  ])
    expect(all).toContain(text)
  expect(texts.filter(isShown).length).toBeGreaterThan(1500)
})

test('the interface says what every program says', () => {
  const odd = texts.filter(
    (one) => isShown(one) && (WHOLE.includes(one.text) || WITHIN.some((words) => words.test(one.text))),
  )
  expect(odd).toEqual([])
})
