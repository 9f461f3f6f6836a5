/** Longer sides are scaled down to these pixels, and the photo is made smaller until it has no more than these bytes. */
interface PhotoSize {
  pixels: number;
  bytes: number;
}
/** From memory what a phone in a cellar sends in a few seconds. */
const TO_LOOK_AT: PhotoSize = { pixels: 1280, bytes: 300_000 };
/** The letters of a whole sheet have to stay letters. */
export const TO_READ: PhotoSize = { pixels: 2400, bytes: 1_500_000 };
const QUALITIES = [0.8, 0.7, 0.6, 0.45, 0.3] as const;

/**
 * A photo from the camera or a file as a small JPEG in base64. It is drawn anew, so that nothing of where and by what it was taken
 * goes with it. Throws where the browser cannot read it.
 */
export async function scalePhoto(file: Blob, size: PhotoSize = TO_LOOK_AT): Promise<string> {
  const picture = await createImageBitmap(file);
  const share = Math.min(1, size.pixels / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * share));
  canvas.height = Math.max(1, Math.round(picture.height * share));
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  let last: Blob | undefined;
  for (const quality of QUALITIES) {
    last = await new Promise<Blob | undefined>((done) =>
      canvas.toBlob((made) => done(made ?? undefined), 'image/jpeg', quality),
    );
    if (last && last.size <= size.bytes) break;
  }
  if (!last) throw new Error('this browser makes no JPEG');
  return base64Of(last);
}

/** The bytes of a file in base64. */
const base64Of = (file: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result).replace(/^data:[^,]*,/, ''));
    reader.onerror = () => reject(reader.error ?? new Error('the file could not be read'));
    reader.readAsDataURL(file);
  });
