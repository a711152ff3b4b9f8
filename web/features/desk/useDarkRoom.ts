import { useEffect, useState } from 'react';
import { z } from 'zod';
import { browserShelf } from '../../shared/keeping/index.ts';

const shelf = () => browserShelf({ name: 'desk room', whose: 'browser', schema: z.enum(['light', 'dark']) });

/** Whether the desk is shown for a dark room, and how that is changed. Remembered in this browser; other pages stay light. */
export function useDarkRoom(): { dark: boolean; toggle: () => void } {
  const [dark, setDark] = useState(() => shelf().read() === 'dark');
  useEffect(() => {
    // On the whole page, since menus hang outside the desk.
    if (dark) document.documentElement.dataset['room'] = 'dark';
    return () => {
      delete document.documentElement.dataset['room'];
    };
  }, [dark]);
  return {
    dark,
    toggle: () => {
      shelf().put(dark ? 'light' : 'dark');
      setDark(!dark);
    },
  };
}
