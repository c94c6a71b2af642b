import { secondLandmark } from './access/secondLandmark.ts'
import { contrast, sameStates } from './access/linkStates.ts'
import { fileNameStyle } from './addresses/fileNameStyle.ts'
import { homeName } from './addresses/homeName.ts'
import { longAddress } from './addresses/longAddress.ts'
import { nameTaken } from './addresses/nameTaken.ts'
import { pinnedHidden } from './addresses/pinnedHidden.ts'
import { idOfSurround } from './content/idOfSurround.ts'
import { languageTag } from './content/languageTag.ts'
import { emptyPage, leftIn } from './content/leftIn.ts'
import { doubleId, parseErrors, unclosed } from './content/markup.ts'
import { misspelt } from './content/misspelt.ts'
import { noAlternative, noSize } from './content/pictures.ts'
import { noDescription } from './headings/description.ts'
import { headingAndTitle } from './headings/headingAndTitle.ts'
import { emptyHeading, severalFirst, skippedLevel } from './headings/headingOrder.ts'
import { sameDescription, sameHeading, sameTitle } from './headings/sameText.ts'
import { deadPointer } from './links/deadPointer.ts'
import { emptyWords } from './links/emptyWords.ts'
import { linkToPlanned } from './links/linkToPlanned.ts'
import { oneTargetTwoTexts, oneTextTwoTargets } from './links/menuTexts.ts'
import { missingHeading } from './links/missingHeading.ts'
import {
  emptyTarget,
  hostWithoutScheme,
  mailWithoutScheme,
  noSuchFile,
  otherCase,
  ownPath,
  schemeNotAllowed,
} from './links/typedTarget.ts'
import type { Rule } from './rule.ts'
import { copiedSurround } from './sameness/copiedSurround.ts'
import { headInContent } from './sameness/headInContent.ts'
import { markInContent } from './sameness/markInContent.ts'
import { markInPiece } from './sameness/markInPiece.ts'
import { ownStyles } from './sameness/ownStyles.ts'
import { longLabel, manyItems } from './structure/menuSize.ts'
import { noMenu, pieces } from './structure/pieces.ts'
import { farAway, hidden, orphan } from './structure/reach.ts'
import { loneChild, skippedInOrder } from './structure/shapeOfPlan.ts'

/** Every rule, in the order of the groups. */
export const RULES: readonly Rule[] = [
  ...[fileNameStyle, nameTaken, longAddress, homeName, pinnedHidden],
  ...[
    deadPointer,
    linkToPlanned,
    missingHeading,
    noSuchFile,
    otherCase,
    emptyTarget,
    hostWithoutScheme,
    mailWithoutScheme,
  ],
  ...[schemeNotAllowed, ownPath, emptyWords, oneTextTwoTargets, oneTargetTwoTexts],
  ...[orphan, farAway, hidden, loneChild, skippedInOrder, manyItems, longLabel, pieces],
  ...[markInContent, markInPiece, copiedSurround, ownStyles, headInContent],
  ...[
    sameTitle,
    sameHeading,
    headingAndTitle,
    severalFirst,
    skippedLevel,
    emptyHeading,
    noDescription,
    sameDescription,
  ],
  ...[
    unclosed,
    parseErrors,
    doubleId,
    idOfSurround,
    noAlternative,
    noSize,
    languageTag,
    leftIn,
    emptyPage,
    misspelt,
  ],
  ...[contrast, sameStates, noMenu, secondLandmark],
]

const byId = new Map(RULES.map((rule) => [rule.id, rule]))

/** Looks a rule up by its id. @throws when there is none */
export function ruleOf(id: string): Rule {
  const rule = byId.get(id)
  if (!rule) throw new Error(`There is no rule ${id}.`)
  return rule
}
