import { buildWeb } from './buildWeb.mjs';
import { root } from './settings.mjs';

/** Vitest's global set-up of the browser tests: the web app as it is shipped. */
export default function setup() {
  buildWeb(root, console.log);
}
