export {
  deskOfFootage,
  drawingsAtFrame,
  drawingTools,
  emptyDesk,
  noteKinds,
  stopsOf,
  strokeColours,
  type DeskDocument,
  type Drawing,
  type DrawingTool,
  type Mark,
  type Note,
  type NoteKind,
  type StrokeColour,
} from './deskDocument.ts';
export { applyDeskChange, inverseDeskChange, patchDesk, removeFromDesk, type DeskChange } from './deskChange.ts';
export { drawingShape, drawingsSvg, strokeEdge, strokeEdgeFactor, strokeInk, type DrawingShape } from './drawingShape.ts';
export { fanMargin } from './fanMargin.ts';
export { thinStroke } from './thinStroke.ts';
export { pannedBy, pinched, wholePicture, zoomedAt, type StageView } from './stageView.ts';
