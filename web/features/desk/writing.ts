/** A note being written or read: new until its first word. `focus` changes when the text should be put under the hands. */
export interface Writing {
  noteId: string;
  footageId: string;
  atFrame: number;
  markId: string | null;
  focus: number;
}
