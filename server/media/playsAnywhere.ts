/** ffmpeg's arguments for a picture that plays on whatever it is sent to (H.264 in 4:2:0), about as large as it is good. */
export const playsAnywhere = ['-c:v', 'libx264', '-preset', 'veryfast', '-crf', '23', '-pix_fmt', 'yuv420p'];
