import type { Linked } from '@lean-mentor/core/desk';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useScene } from '../DeskScene.ts';

/** Leads to something that is linked: on this stage at once, in another film of the request by opening it. */
export function ThingLink({ thing, className, title, current, children }: ThingLinkProps) {
  const { subject, footage, go } = useScene();
  const { entity, id, footageId, atFrame } = thing;
  const shared = { className, title, 'aria-current': current };
  return footageId === footage.id ? (
    <button type="button" {...shared} onClick={() => go(atFrame, entity === 'note' ? id : null)}>
      {children}
    </button>
  ) : (
    <Link {...shared} to={`/requests/${subject.request.id}/desk?footage=${footageId}&frame=${atFrame}`}>
      {children}
    </Link>
  );
}

interface ThingLinkProps {
  thing: Linked;
  className?: string;
  title?: string;
  /** Whether it is what is open. */
  current?: boolean;
  children: ReactNode;
}
