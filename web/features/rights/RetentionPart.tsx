import { zodResolver } from '@hookform/resolvers/zod';
import { retention, type Retention, type ResponseOf } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import { format } from 'date-fns';
import { useEffect } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { Fetched } from '../../shared/fetched/index.ts';
import { megabytes } from '../../shared/megabytes.ts';
import { Button, FaultNote, smallInputClass, TableHead } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useGetRetentionQuery, usePreviewRetentionMutation, useSetRetentionMutation } from './api.ts';

type Kept = ResponseOf<typeof contract.getRetention>;
type Preview = ResponseOf<typeof contract.previewRetention>;

const kinds: readonly { kind: keyof Retention; words: string; since: string }[] = [
  { kind: 'drafts', words: 'Drafts', since: 'since a request was begun and not sent; its videos go too' },
  { kind: 'footage', words: 'Footage', since: 'since the last version of its critique; stills and films go too, words stay' },
  { kind: 'letters', words: 'Letters', since: 'since they were written' },
  { kind: 'trail', words: 'Who looked at what', since: 'since they did' },
];

/** How long each kind of thing is kept before it goes by itself, and who has asked to be forgotten. */
export function RetentionPart() {
  const fetched = useGetRetentionQuery(undefined, { refetchOnMountOrArgChange: true });
  return (
    <Fetched of={fetched}>
      {(kept) => (
        <div className="flex flex-col gap-10">
          <Asked asked={kept.asked} />
          <RetentionForm key={kept.revision} kept={kept} />
        </div>
      )}
    </Fetched>
  );
}

function Asked({ asked }: { asked: Kept['asked'] }) {
  return (
    <section aria-label="Asked to be forgotten" className="flex flex-col gap-3">
      <h2 className="border-t border-ink pt-2 text-desk">Asked to be forgotten</h2>
      {asked.length === 0 ? (
        <p className="text-reed">Nobody has. Who does is removed a week later, and can take it back until then.</p>
      ) : (
        <ul className="divide-y divide-seam border-y border-seam">
          {asked.map(({ clientId, name, askedBy, dueAt }) => (
            <li key={clientId} className="flex justify-between gap-4 py-2">
              <Link to={`/kept-of/${clientId}`} className="linked">
                {name}
              </Link>
              <span>
                asked by {askedBy}, goes on {format(dueAt, 'd MMMM, H:mm')}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

const goesWords = (preview: Preview | undefined, kind: keyof Retention): string => {
  if (!preview) return '';
  if (preview[kind] === 0) return 'nothing just now';
  return kind === 'footage' ? `${preview.footage} (${megabytes(preview.footageBytes)})` : String(preview[kind]);
};

function RetentionForm({ kept }: { kept: Kept }) {
  const [save, { isLoading, error }] = useSetRetentionMutation();
  const [look, { data: preview }] = usePreviewRetentionMutation();
  const form = useForm<Retention>({ resolver: zodResolver(retention), defaultValues: kept.retention, mode: 'onChange' });
  const wanted = useWatch({ control: form.control });
  const asked = retention.safeParse(wanted);
  const known = asked.success ? JSON.stringify(asked.data) : null;
  useEffect(() => {
    // Asked once the typing rests: twelve is not first one.
    const timer = setTimeout(() => known !== null && void look(JSON.parse(known) as Retention), 300);
    return () => clearTimeout(timer);
  }, [known, look]);
  const send = async (rules: Retention): Promise<void> => {
    const { error: refused } = await save({ retention: rules, revision: kept.revision });
    if (!refused) toast('That is kept. What is older goes within minutes, a part at a time.');
  };
  return (
    <form aria-label="How long things are kept" noValidate className="flex flex-col gap-4" onSubmit={form.handleSubmit(send)}>
      <h2 className="border-t border-ink pt-2 text-desk">How long things are kept</h2>
      <p className="text-reed">
        Left empty, a kind is kept until somebody removes it. Uploads that nobody went on with go after 14 days, critiques taken out after a
        day, films after 30 in any case. What the law has you keep, and for how long, you know better than this page.
      </p>
      <table className="text-left">
        <TableHead columns={['', 'Months', 'Counted', { right: 'Would go now' }]} />
        <tbody className="divide-y divide-seam border-y border-seam">
          {kinds.map(({ kind, words, since }) => (
            <tr key={kind}>
              <th scope="row" className="py-2 pr-4 font-semibold">
                {words}
              </th>
              <td className="pr-4">
                <input
                  {...form.register(kind, {
                    setValueAs: (text: string | number | null) => (text === '' || text === null ? null : Number(text)),
                  })}
                  inputMode="numeric"
                  aria-label={`${words}: months`}
                  aria-invalid={Boolean(form.formState.errors[kind])}
                  className={`${smallInputClass} max-w-16`}
                />
              </td>
              <td className="pr-4 text-reed">{since}</td>
              <td className="pr-4 text-right">{asked.success ? goesWords(preview, kind) : ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {Object.keys(form.formState.errors).length > 0 && <FaultNote>Months are whole numbers from 1 to 240, or empty.</FaultNote>}
      {error !== undefined && <FaultNote>{faultWords(error)}</FaultNote>}
      <Button type="submit" busy={isLoading} disabled={!form.formState.isDirty} className="self-start">
        Keep this
      </Button>
    </form>
  );
}
