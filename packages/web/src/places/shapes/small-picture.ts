/** A chosen picture made small enough to travel with a grip: at most 240 by 160, as WebP or PNG in a data address. */

const WIDEST = 240;
const HIGHEST = 160;
const LONGEST = 120_000;

/** The size a picture is drawn at, its proportions kept and never enlarged. */
export function smallSize(width: number, height: number): { width: number; height: number } {
  const scale = Math.min(1, WIDEST / width, HIGHEST / height);
  return { width: Math.max(1, Math.round(width * scale)), height: Math.max(1, Math.round(height * scale)) };
}

/** Rejects with words for what is no picture, or stays too big even when small. */
export async function smallPicture(file: Blob): Promise<string> {
  const bitmap = await createImageBitmap(file).catch(() => {
    throw new Error('That file is no picture this browser reads. Choose a PNG, a JPEG or a WebP.');
  });
  const { width, height } = smallSize(bitmap.width, bitmap.height);
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, width, height);
  const address = canvas.toDataURL('image/webp', 0.85);
  if (address.length > LONGEST)
    throw new Error('That picture stays too big even when made small. Choose a plainer one.');
  return address;
}
