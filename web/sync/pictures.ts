/** As large as the server keeps them; more would only wait longer and take room on this device. */
const LONGEST_EDGE = 2560;
const QUALITY = 0.86;
/**
 * A picture small enough to wait on this device, drawn anew so that it does not say where it was taken; the picture
 * itself where this browser cannot do it, which the server then strips.
 */
export async function scaledPicture(picture: Blob): Promise<Blob> {
  if (typeof createImageBitmap === 'undefined') return picture;
  try {
    const bitmap = await createImageBitmap(picture, { imageOrientation: 'from-image' });
    const share = Math.min(1, LONGEST_EDGE / Math.max(bitmap.width, bitmap.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(bitmap.width * share);
    canvas.height = Math.round(bitmap.height * share);
    canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    bitmap.close();
    const scaled = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', QUALITY));
    return scaled ?? picture;
  } catch {
    return picture;
  }
}
