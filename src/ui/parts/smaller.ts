/** No picture of a pit needs more, pixels along its longer side. */
const LONGEST = 2048;
/** Smaller files go as they are, bytes. */
const SMALL = 300 * 1024;
const QUALITY = 0.85;

/**
 * A photograph made smaller on the device before it is kept or sent: turned as it was held, without what the camera wrote into it (place among
 * it). What the browser cannot draw goes as it is; the server looks at it again in any case.
 */
export async function smaller(file: File): Promise<Blob> {
  if (file.size <= SMALL) return file;
  try {
    const picture = await createImageBitmap(file);
    const share = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
    const [width, height] = [picture.width, picture.height].map((side) => Math.round(side * share)) as [number, number];
    const canvas = new OffscreenCanvas(width, height);
    canvas.getContext('2d')!.drawImage(picture, 0, 0, width, height);
    picture.close();
    const made = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
    return made.size < file.size ? made : file;
  } catch {
    return file;
  }
}
