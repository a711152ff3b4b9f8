export { critiqueCounts, type CritiqueCounts } from './critiqueCounts.ts';
export { critiqueHtml, type PageFiles } from './critiqueHtml.ts';
export { critiqueMarkdown, type TiedWords } from './critiqueMarkdown.ts';
export { scoredBy, type SentScore } from './scoredBy.ts';
export {
  allBlocks,
  besideWords,
  blockText,
  clipsOf,
  comparedIn,
  fixBlocks,
  heading,
  list,
  moment,
  heardOf,
  momentLooks,
  momentsOf,
  paragraph,
  placeOfTake,
  takesOf,
  type Block,
  type CautionBlock,
  type ClipBlock,
  type CritiqueDoc,
  type FixBlock,
  type Heading,
  type Inline,
  type List,
  type ListItem,
  type MomentBlock,
  type MomentLook,
  type Paragraph,
  type PlainBlock,
  type Quote,
  type TakeBlock,
  type TextMark,
} from './critiqueDoc.ts';
export { draftCritique } from './draftCritique.ts';
export type { DraftFix, DraftInput, DraftMoment, RightMoment } from './draftInput.ts';
export { runningOrder, type OrderStep } from './runningOrder.ts';
