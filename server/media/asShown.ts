/**
 * The picture as it is to be seen, before any scaling: the two half pictures of interlaced footage woven into one (only where
 * the file says so; every frame stays one frame), pixels square.
 */
export const asShown = 'bwdif=mode=send_frame:parity=auto:deint=interlaced,scale=iw*sar:ih,setsar=1';
