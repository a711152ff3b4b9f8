import { openS3StandIn } from './s3StandIn.ts';

/** The store as a process of its own, for houses that run as processes. It tells how it is reached, and ends with its parent. */
const { settings } = await openS3StandIn();
process.send?.(settings);
process.once('disconnect', () => process.exit());
