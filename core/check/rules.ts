import { contrast } from './access/contrast.ts'
import { noMenu } from './access/noMenu.ts'
import { sameStates } from './access/sameStates.ts'
import { secondLandmark } from './access/secondLandmark.ts'
import { fileNameStyle } from './addresses/fileNameStyle.ts'
import { homeName } from './addresses/homeName.ts'
import { longAddress } from './addresses/longAddress.ts'
import { nameTaken } from './addresses/nameTaken.ts'
import { pinnedHidden } from './addresses/pinnedHidden.ts'
import { doubleId } from './content/doubleId.ts'
import { emptyPage } from './content/emptyPage.ts'
import { idOfSurround } from './content/idOfSurround.ts'
import { languageTag } from './content/languageTag.ts'
import { leftIn } from './content/leftIn.ts'
import { misspelt } from './content/misspelt.ts'
import { noSuchPart } from './content/noSuchPart.ts'
import { wholeDocument } from './content/wholeDocument.ts'
import { noAlternative } from './content/noAlternative.ts'
import { noSize } from './content/noSize.ts'
import { parseErrors } from './content/parseErrors.ts'
import { unclosed } from './content/unclosed.ts'
import { emptyHeading } from './headings/emptyHeading.ts'
import { headingAndTitle } from './headings/headingAndTitle.ts'
import { noDescription } from './headings/noDescription.ts'
import { sameDescription } from './headings/sameDescription.ts'
import { sameHeading } from './headings/sameHeading.ts'
import { sameTitle } from './headings/sameTitle.ts'
import { rootDiffers } from './addresses/rootDiffers.ts'
import { severalFirst } from './headings/severalFirst.ts'
import { skippedLevel } from './headings/skippedLevel.ts'
import { deadPointer } from './links/deadPointer.ts'
import { emptyTarget } from './links/emptyTarget.ts'
import { emptyWords } from './links/emptyWords.ts'
import { hostWithoutScheme } from './links/hostWithoutScheme.ts'
import { deadAround, plannedAround } from './links/deadAround.ts'
import { includedElsewhere } from './links/includedElsewhere.ts'
import { linkToPlanned } from './links/linkToPlanned.ts'
import { linkWithoutTarget } from './links/linkWithoutTarget.ts'
import { mailWithoutScheme } from './links/mailWithoutScheme.ts'
import { missingHeading } from './links/missingHeading.ts'
import {
  deadInScript,
  deadInScriptAround,
  namedInScript,
  namedInScriptAround,
} from './links/namedInScript.ts'
import { noSuchFile } from './links/noSuchFile.ts'
import { noSuchFileAround } from './links/noSuchFileAround.ts'
import { oneTargetTwoTexts } from './links/oneTargetTwoTexts.ts'
import { oneTextTwoTargets } from './links/oneTextTwoTargets.ts'
import { otherCase } from './links/otherCase.ts'
import { ownPath } from './links/ownPath.ts'
import { schemeNotAllowed } from './links/schemeNotAllowed.ts'
import type { Rule } from './rule.ts'
import { copiedSurround } from './sameness/copiedSurround.ts'
import { headInContent } from './sameness/headInContent.ts'
import { markInContent } from './sameness/markInContent.ts'
import { markInPiece } from './sameness/markInPiece.ts'
import { repeatedText } from './sameness/repeatedText.ts'
import { differsFromTemplate } from './sameness/differsFromTemplate.ts'
import { ownStyles } from './sameness/ownStyles.ts'
import { farAway } from './structure/farAway.ts'
import { hidden } from './structure/hidden.ts'
import { loneChild } from './structure/loneChild.ts'
import { longLabel } from './structure/longLabel.ts'
import { manyItems } from './structure/manyItems.ts'
import { orphan } from './structure/orphan.ts'
import { pieces } from './structure/pieces.ts'
import { skippedInOrder } from './structure/skippedInOrder.ts'

/** Every rule, in the order of the groups. */
export const RULES: readonly Rule[] = [
  ...[fileNameStyle, nameTaken, longAddress, homeName, pinnedHidden, rootDiffers],
  ...[
    deadPointer,
    deadAround,
    includedElsewhere,
    linkToPlanned,
    plannedAround,
    linkWithoutTarget,
    missingHeading,
    noSuchFile,
    noSuchFileAround,
    otherCase,
    emptyTarget,
    hostWithoutScheme,
    mailWithoutScheme,
    namedInScript,
    namedInScriptAround,
    deadInScript,
    deadInScriptAround,
  ],
  ...[schemeNotAllowed, ownPath, emptyWords, oneTextTwoTargets, oneTargetTwoTexts],
  ...[orphan, farAway, hidden, loneChild, skippedInOrder, manyItems, longLabel, pieces],
  ...[
    markInContent,
    markInPiece,
    copiedSurround,
    repeatedText,
    ownStyles,
    headInContent,
    differsFromTemplate,
  ],
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
    noSuchPart,
    wholeDocument,
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
