/** A picture as it is measured: sane in size, with nothing of the file left but what is seen. */
export interface Picture {
  url: string;
  blob: Blob;
  width: number;
  height: number;
  /** Of a drawing it is known what is true, by the key of each number. */
  drawn?: ReadonlyMap<string, number>;
}

const LONGEST = 1600;
const LARGEST = 30_000_000;

/**
 * Opens a file as a picture, upright as the camera says, no longer than 1600 pixels. It stays on this device and in this
 * page’s memory; `close` takes it away. Null: it is no picture, or a monstrous one.
 */
export async function openPicture(file: File): Promise<Picture | null> {
  if (file.size > LARGEST) return null;
  try {
    const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
    const k = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height));
    const [width, height] = [Math.round(bitmap.width * k), Math.round(bitmap.height * k)];
    const canvas = document.createElement('canvas');
    canvas.width = width;
    canvas.height = height;
    canvas.getContext('2d')!.drawImage(bitmap, 0, 0, width, height);
    bitmap.close();
    // Drawn anew: where and when it was taken is gone.
    const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', 0.9));
    return blob && width > 10 && height > 10 ? { url: URL.createObjectURL(blob), blob, width, height } : null;
  } catch {
    return null;
  }
}

/** The picture goes: nothing of it is kept. */
export const closePicture = (p: Picture): void => URL.revokeObjectURL(p.url);
