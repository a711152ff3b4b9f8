import type { Request } from '@lean-mentor/contract';
import { ChevronDown } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { Link } from 'react-router';
import { RequestLimits } from '../care/index.ts';
import { Exchange, NeedFirst, IntakeList, RoundCounted, stateWords, useGetRequestQuery } from '../requests/index.ts';

/** What the client asked, in the head; opened, everything they said, what was said to and fro, and asking for something first. */
export function IntakePopover({ request: opened, onMark }: { request: Request; onMark: (footageId: string, atSeconds: number) => void }) {
  const [open, setOpen] = useState(false);
  // What is said and agreed here meanwhile; the desk was opened a while ago.
  const { data: request = opened } = useGetRequestQuery(opened.id);
  const mayAsk = request.state === 'waiting' || request.state === 'uploading';
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className="flex min-w-0 items-center gap-1 hover:underline data-[state=open]:underline" title={request.question}>
        <span className="truncate">“{request.question}”</span>
        <ChevronDown size={15} className="shrink-0" aria-hidden />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={6}
          aria-label="What was said"
          className="z-30 flex max-h-[82dvh] w-[440px] flex-col gap-4 overflow-y-auto border border-seam bg-straw p-4 shadow-[0_8px_30px_rgb(30_35_32/0.18)]"
        >
          <IntakeList
            intake={request}
            footages={request.footages}
            onMark={(footageId, atSeconds) => {
              setOpen(false);
              onMark(footageId, atSeconds);
            }}
          />
          <RequestLimits request={request} />
          {request.round && (
            <RoundCounted
              round={request.round}
              footages={request.footages}
              onReset={(footageId, atSeconds) => {
                setOpen(false);
                onMark(footageId, atSeconds);
              }}
            />
          )}
          <Exchange exchange={request.exchange} />
          {request.state === 'need-first' && <p className="font-semibold">Waits for the answer; the clock of the promise stands.</p>}
          {(request.state === 'withdrawn' || request.state === 'sent') && <p>{stateWords[request.state]}.</p>}
          <Link to={`/requests/${request.id}/footage`} className="linked self-start font-semibold">
            The footage and its bouts
          </Link>
          {mayAsk && (
            <details className="border-t border-seam pt-3">
              <summary className="cursor-pointer font-semibold">Something is needed first</summary>
              <div className="pt-3">
                <NeedFirst requestId={request.id} clientName={request.clientName} />
              </div>
            </details>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
