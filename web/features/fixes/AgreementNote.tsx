import { schoolNames, schools } from '@lean-mentor/core/fixes';
import { format } from 'date-fns';
import { useState } from 'react';
import { useListFixOrdersQuery, type LadderData } from './api.ts';

/** How far what was sent went with each school, over time; and, on demand, where it did not and why. */
export function AgreementNote({ agreement, nameOf }: { agreement: LadderData['agreement']; nameOf: (principleId: string) => string }) {
  const [open, setOpen] = useState(false);
  if (agreement.sent === 0)
    return <p className="text-small text-reed">Once critiques are sent, it is shown here how far your order goes with each school.</p>;
  return (
    <div className="flex flex-col gap-1 text-small">
      <table>
        <caption className="pb-1 text-left text-reed">
          {agreement.sent === 1 ? 'One critique sent.' : `${agreement.sent} critiques sent.`} How often each school began with what you
          began with, and how much of what you sent was among its first:
        </caption>
        <tbody>
          {[...schoolNames, 'own' as const].map((name) => {
            const found = agreement.bySchool[name];
            return found ? (
              <tr key={name} className="border-t border-seam">
                <th scope="row" className="py-0.5 text-left font-normal">
                  {name === 'own' ? 'My own' : schools[name].name}
                </th>
                <td className="time text-right">
                  {found.first} of {agreement.sent}
                </td>
                <td className="time text-right">
                  {found.among} of {found.of}
                </td>
              </tr>
            ) : null;
          })}
        </tbody>
      </table>
      <button type="button" className="linked self-start" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'Less' : 'Critique by critique'}
      </button>
      {open && <Orders nameOf={nameOf} />}
    </div>
  );
}

function Orders({ nameOf }: { nameOf: (principleId: string) => string }) {
  const { data } = useListFixOrdersQuery();
  return (
    <ol className="max-h-60 overflow-y-auto">
      {data?.orders.map(({ requestId, sentAt, clientName, sent, computed, reason }) => (
        <li key={requestId} className="border-t border-seam py-1">
          <span className="text-reed">
            {format(sentAt, 'd MMM yyyy')}, {clientName}:
          </span>{' '}
          {sent.map(nameOf).join('; ') || 'no fix'}
          {sent[0] !== computed[0] && computed[0] && <span className="text-reed">. Computed first: {nameOf(computed[0])}</span>}
          {reason && <span>. “{reason}”</span>}
        </li>
      ))}
    </ol>
  );
}
