import { sideText, type Score } from '@lean-mentor/core/scoring';

/** A score in figures, each side in its colour. */
export const ScoreFigures = ({ score }: { score: Score }) => (
  <>
    <span className="text-client">{sideText(score.client)}</span> : <span className="text-partner">{sideText(score.partner)}</span>
  </>
);
