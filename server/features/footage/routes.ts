import * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { route } from '../../http/route.ts';
import * as handlers from './handlers.ts';
import { footageUploads } from './uploads.ts';
import type { FootageWatch } from './watch.ts';

export const footageRoutes = (house: House, watch: FootageWatch) => {
  const uploads = footageUploads(house);
  const handOver = ({ req, res }: { req: Parameters<typeof uploads.handle>[0]; res: Parameters<typeof uploads.handle>[1] }) =>
    uploads.handle(req, res);
  return [
    // Before the routes with :footageId, which would take "watch" for an id.
    route(contract.watchFootages, handlers.watchFootages(watch)),
    route(contract.getFrameTable, handlers.getFrameTable(house)),
    route(contract.getMotion, handlers.getMotion(house)),
    route(contract.getSound, handlers.getSound(house)),
    route(contract.getViewing, handlers.getViewing(house)),
    route(contract.getFrameStill, handlers.getFrameStill(house)),
    route(contract.getStrip, handlers.getStrip(house)),
    route(contract.editBouts, handlers.editBouts(house)),
    route(contract.saveAlignment, handlers.saveAlignment(house)),
    route(contract.streamReviewCopy, handlers.streamReviewCopy(house)),
    route(contract.getPoster, handlers.getPoster(house)),
    route(contract.retryFootage, handlers.retryFootage(house)),
    route(contract.beginUpload, handOver),
    route(contract.askUploadAbilities, handOver),
    route(contract.askUploadOffset, handOver),
    route(contract.continueUpload, handOver),
  ];
};
