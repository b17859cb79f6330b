import { LOOK_FORMAT, lookFileSchema, type Look } from '@fixatum/core';
import { api } from './api';

/** A look with its pictures as the text of one file. A picture that can't be had is left out. */
export async function lookFileText(look: Look): Promise<string> {
  const pictures: Record<string, string> = {};
  for (const name of look.pictures) {
    const data = await dataAddressOf(api.photoUrl(name)).catch(() => undefined);
    if (data !== undefined) pictures[name] = data;
  }
  return `${JSON.stringify({ format: LOOK_FORMAT, look, pictures }, null, 2)}\n`;
}

/**
 * The look in the text of a file, its pictures kept here under names of their own.
 * @throws an error with a sentence for whoever chose the file
 */
export async function lookOfFile(text: string, fileName: string): Promise<Look> {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    throw new Error(`${fileName} is not whole JSON.`);
  }
  const parsed = lookFileSchema.safeParse(data);
  if (!parsed.success) throw new Error(`${fileName} is not a look file of this program.`);
  const { look, pictures = {} } = parsed.data;
  const kept: string[] = [];
  for (const name of look.pictures) {
    const address = pictures[name];
    if (address === undefined) continue;
    kept.push((await api.addPhoto(blobOf(address))).photo);
  }
  return { ...look, pictures: kept };
}

async function dataAddressOf(url: string): Promise<string> {
  const response = await fetch(url);
  if (!response.ok) throw new Error(`no picture at ${url}`);
  const blob = await response.blob();
  return new Promise((done, fail) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result));
    reader.onerror = () => fail(new Error('the picture can’t be read'));
    reader.readAsDataURL(blob);
  });
}

/** The bytes of a data address; read here, as a page may not fetch one. */
function blobOf(address: string): Blob {
  const [head = '', base64 = ''] = address.split(',');
  const bytes = Uint8Array.from(atob(base64), (sign) => sign.charCodeAt(0));
  return new Blob([bytes], { type: head.slice('data:'.length).replace(';base64', '') });
}
