const longestSide = 1600;
/** As the server takes; see PhotoRecord.MostBytes. */
const mostBytes = 900_000;

/** Redraws a picture smaller, as JPEG. A redrawn picture carries nothing of what the camera wrote beside it. */
export async function shrink(file: Blob): Promise<Blob> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
  for (let side = longestSide, quality = 0.82; side > 300; side *= 0.75, quality -= 0.06) {
    const scale = Math.min(1, side / Math.max(picture.width, picture.height));
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [Math.round(picture.width * scale), Math.round(picture.height * scale)];
    canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const blob = await new Promise<Blob | null>((done) => {
      canvas.toBlob(done, 'image/jpeg', quality);
    });
    if (blob && blob.size <= mostBytes) return blob;
  }
  throw new Error('The picture cannot be made small enough.');
}
