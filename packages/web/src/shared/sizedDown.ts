import { LONGEST_PHOTO_EDGE_PX } from '@fixatum/core';

/** High, as the server writes it once more. */
const JPEG_QUALITY = 0.9;

/**
 * A picture as it is sent: upright, as small as it will be kept, and nothing but the picture (a phone writes into the file where it
 * was taken).
 * @throws where this browser can't read it
 */
export async function sizedDown(file: Blob): Promise<Blob> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const scale = Math.min(1, LONGEST_PHOTO_EDGE_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  const pen = canvas.getContext('2d');
  if (!pen) throw new Error('This browser does not draw.');
  // What lets light through is seen on white, not on the black a JPEG would give it.
  pen.fillStyle = '#fff';
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return new Promise((done, fail) =>
    canvas.toBlob(
      (blob) => (blob ? done(blob) : fail(new Error('This browser writes no JPEG.'))),
      'image/jpeg',
      JPEG_QUALITY,
    ),
  );
}
