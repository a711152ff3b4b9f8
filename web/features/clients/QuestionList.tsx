import { answerWords, type CritiqueGlance, type Question } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { Link } from 'react-router';

/** Everything a client asked back, newest first, with the answers. Nothing where nothing was asked. */
export function QuestionList({ questions, critiques }: { questions: readonly Question[]; critiques: readonly CritiqueGlance[] }) {
  if (questions.length === 0) return null;
  const fixName = ({ critiqueId, fixId }: Question): string | undefined =>
    critiques.find(({ id }) => id === critiqueId)?.fixes.find((fix) => fix.fixId === fixId)?.name;
  return (
    <section aria-label="Questions">
      <h2 className="mb-2 text-read">Questions</h2>
      <ol className="divide-y divide-seam border-y border-seam">
        {questions.map((question) => (
          <li key={question.id} className="grid grid-cols-[5.5rem_1fr] gap-4 py-2">
            <span className="text-small text-reed">{format(question.askedAt, 'd MMM yyyy')}</span>
            <span>
              <Link to={`/critiques/${question.critiqueId}#question-${question.id}`} className="linked">
                {question.words}
              </Link>
              {fixName(question) && <span className="text-small text-reed"> about {fixName(question)}</span>}
              <span className={`block text-small ${question.answer === null ? 'font-semibold' : 'text-reed'}`}>
                {answerWords(question) ?? 'Waits for an answer'}
              </span>
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
