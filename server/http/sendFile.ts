import type { Response } from 'express';

/** Sends a file with range requests; private to the viewer, and kept by the browser for an hour. */
export const sendFile = (res: Response, path: string, type: string): Promise<void> =>
  new Promise((resolve, reject) => {
    res.type(type);
    res.set('Cache-Control', 'private, max-age=3600');
    // The data folder's name may start with a dot, and a viewer who seeks aborts requests: neither is a fault.
    res.sendFile(path, { dotfiles: 'allow' }, (error) => (error && !res.headersSent ? reject(error) : resolve()));
  });
