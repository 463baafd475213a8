/** How large a clip is, and how long at the most. */
export const CLIP = { width: 440, height: 380, framesASecond: 20, mostFrames: 400 } as const;
