import * as contract from '@lean-mentor/contract';
import { addressOf, baseApi, mutationOf, queryOf, currentToken } from '../../shared/wire/index.ts';

const bookApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listClips: queryOf(build, contract.listClips),
    addClip: mutationOf(build, contract.addClip),
    renameClip: mutationOf(build, contract.renameClip),
    removeClip: mutationOf(build, contract.removeClip),
  }),
});

export const { useListClipsQuery, useAddClipMutation, useRenameClipMutation, useRemoveClipMutation } = bookApi;

export const clipVideo = (clipId: string): string => addressOf(contract.streamClip, { clipId });
export const clipPoster = (clipId: string): string => addressOf(contract.getClipPoster, { clipId });

/** Sends a clip's video; `onShare` hears how much has gone, 0..1. Rejects with a sentence for the person. */
export function sendClipVideo(clipId: string, file: File, onShare: (share: number) => void): Promise<void> {
  return new Promise((resolve, reject) => {
    // fetch says nothing of how far an upload has come.
    const request = new XMLHttpRequest();
    request.open('PUT', addressOf(contract.saveClipVideo, { clipId }));
    request.setRequestHeader('x-lean-token', currentToken());
    request.setRequestHeader('content-type', 'application/octet-stream');
    request.upload.onprogress = ({ loaded, total }) => onShare(total > 0 ? loaded / total : 0);
    request.onload = () => {
      if (request.status < 400) return resolve();
      const words = request.status === 413 ? 'The clip is larger than 512 MB. Cut it shorter.' : 'The clip was not taken. Send it again.';
      reject(new Error(words));
    };
    request.onerror = () => reject(new Error('Lean Mentor cannot be reached. Send the clip again in a moment.'));
    request.send(file);
  });
}
