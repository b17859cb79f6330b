import { join } from 'node:path';
import { choose } from '../fields';
import { newPlate } from '../plate';
import { startServer, type RunningServer } from '../server';
import { expect, test, type Page } from '../test';

let server: RunningServer;
test.beforeEach(async () => {
  server = await startServer({ samples: false });
});
test.afterEach(() => server.stop());

const sample = (name: string) => join(import.meta.dirname, '../../demo/templates', name);
const fileField = (page: Page) => page.getByLabel('Template, mesh or photo');

test('a PDF becomes six pieces with zones, looks and amounts; they outlast a restart, and a zone is drawn on one', async ({
  page,
}) => {
  const path = await newPlate(page, server.url);
  await page.goto(`${server.url}${path}/pieces`);
  await page.getByRole('link', { name: 'From a template or photo' }).click();
  await fileField(page).setInputFiles(sample('kelp-warden.pdf'));
  const table = page.getByRole('table', { name: 'Outlines' });
  await expect(table.getByRole('row')).toHaveCount(6);
  await expect(page.getByText('True size, as the file says.')).toBeVisible();
  // A trapezoid of 160 and 136 mm, 110 apart, with a cuff of 25.
  await expect(table.getByRole('row').nth(2)).toContainText(
    '163 cm², 517 mm round, 2 grooves · Main 76 %, Cuff 24 %',
  );
  const shoulder = table.getByRole('row').nth(1);
  await expect(shoulder.getByLabel('How many')).toHaveValue('2');
  await expect(shoulder.getByLabel('half mirrored')).toBeChecked();
  await shoulder.getByLabel('Name').fill('Left and right shoulder');
  await choose(page, 'Look of Main', 'Gunmetal');
  await choose(page, 'Look of Rim', 'Aged brass');
  await page.getByRole('button', { name: 'Take in 6 pieces' }).click();

  await expect(page.getByRole('heading', { name: 'Pieces' })).toBeVisible();
  await expect(page.getByTestId('piece-fin')).toContainText('Fin ×4');
  await page.getByTestId('piece-left-and-right-shoulder').click();
  const drawing = page.getByRole('link', { name: 'The drawing, to change it' });
  await expect(drawing).toContainText('91 cm², 370 mm of open edge, 83 mm of grooves; half of them mirrored');
  await page.getByText('What the whole piece takes').click();
  await expect(page.locator('details.amounts li').first()).toContainText(/\d ml/);
  await expect(page.getByText('cut edges too').first()).toBeVisible();

  await server.restart();
  await page.reload();
  await expect(drawing).toContainText('91 cm²');
  // What is needed for all of them is on the list to buy.
  await page.goto(`${server.url}${path}/shopping`);
  await expect(page.getByTestId('to-buy').first()).toBeVisible();

  // A zone more, drawn on the disc: half of it.
  await page.goto(`${server.url}${path}/pieces/belt-disc/drawing`);
  await page.getByRole('button', { name: 'Another zone' }).click();
  await expect(page.getByRole('alert')).toContainText('“Zone 2” has no place on the drawing');
  const board = page.getByRole('application');
  const box = (await board.boundingBox())!;
  for (const [x, y] of [
    [0.01, 0.01],
    [0.5, 0.01],
    [0.5, 0.99],
    [0.01, 0.99],
  ] as const)
    await board.click({ position: { x: box.width * x, y: box.height * y } });
  await page.getByRole('button', { name: 'Close the outline' }).click();
  await expect(page.getByText('Main meets Zone 2 along 40 mm')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('alert')).toBeVisible();
  await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await page.getByRole('button', { name: 'Keep the drawing' }).click();
  await expect(page.getByRole('heading', { name: 'Belt disc' })).toBeVisible();
  await page.getByRole('button', { name: 'Change the piece' }).click();
  await expect(page.getByLabel('Share').first()).toHaveValue(/^(49\.[5-9]|50)/);
  await expect(page.getByLabel('Share').first()).toBeDisabled();
  await page.getByRole('button', { name: 'Not now' }).click();
  // The notice with its own undo may be gone by now.
  await page.getByRole('button', { name: 'Undo the last change' }).click();
  await expect(drawing).not.toContainText('Zone 2');
});

/** How a place on the mat of the sample photo, mm, is seen: its four corners (Heckbert's square to quadrilateral), in shares of the photo. */
function seen(x: number, y: number): readonly [number, number] {
  const [[x0, y0], [x1, y1], [x2, y2], [x3, y3]] = [
    [150, 130],
    [1030, 95],
    [1130, 745],
    [70, 700],
  ] as const;
  const [sumX, sumY, dx1, dy1, dx2, dy2] = [
    x0 - x1 + x2 - x3,
    y0 - y1 + y2 - y3,
    x1 - x2,
    y1 - y2,
    x3 - x2,
    y3 - y2,
  ];
  const below = dx1 * dy2 - dx2 * dy1;
  const [g, h] = [(sumX * dy2 - dx2 * sumY) / below, (dx1 * sumY - sumX * dy1) / below];
  const [u, v] = [x / 300, y / 200];
  const w = g * u + h * v + 1;
  return [
    ((x1 - x0 + g * x1) * u + (x3 - x0 + h * x3) * v + x0) / w / 1200,
    ((y1 - y0 + g * y1) * u + (y3 - y0 + h * y3) * v + y0) / w / 820,
  ];
}

test('a photo of a plate on a mat, seen from the side, gives its true area', async ({ page }) => {
  const path = await newPlate(page, server.url);
  await page.goto(`${server.url}${path}/template`);
  await fileField(page).setInputFiles(sample('plate-on-mat.jpg'));
  await page.getByRole('button', { name: 'A mat, from any side' }).click();
  const board = page.getByRole('application');
  await expect(board).toBeVisible();
  // The photo keeps its form inside the board.
  const photo = (await board.locator('image').boundingBox())!;
  const press = async (x: number, y: number) => {
    const [u, v] = seen(x, y);
    await page.mouse.click(photo.x + photo.width * u, photo.y + photo.height * v);
  };
  await press(0, 0);
  await press(300, 0);
  await press(300, 200);
  await press(0, 200);
  await expect(page.getByRole('status')).toContainText('Now draw round the part');
  await page.getByRole('button', { name: 'The outline', exact: true }).click();
  // Half a disc of 60 mm on a base of 120 by 40.
  for (let n = 0; n <= 12; n += 1)
    await press(150 - 60 * Math.cos((n * Math.PI) / 12), 110 - 60 * Math.sin((n * Math.PI) / 12));
  await press(210, 150);
  await press(90, 150);
  await page.getByRole('button', { name: 'Close the outline' }).click();
  const told = page.getByTestId('photo-area');
  await expect(told).toContainText('cm²');
  const area = Number(/([\d.]+) cm²/.exec(await told.innerText())?.[1]);
  // 12 chords of the half circle: 48 + 56.55 · 0.9886 cm² = 103.9; a pixel of the screen is a third of a millimetre.
  expect(Math.abs(area / 103.9 - 1)).toBeLessThan(0.02);
  await page.getByRole('button', { name: 'domed' }).click();
  await expect(told).not.toContainText(`${area} cm²`);
  const domed = Number(/([\d.]+) cm²/.exec(await told.innerText())?.[1]);
  expect(domed / area).toBeCloseTo(1.3, 2);
  await page.getByLabel('Name', { exact: true }).fill('Knee cap');
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByRole('heading', { name: 'Knee cap' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'The drawing, to change it' })).toContainText(`${domed} cm²`);
});

test('a mesh is measured, its groups are zones; files that can’t be read say why', async ({ page }) => {
  const path = await newPlate(page, server.url);
  await page.goto(`${server.url}${path}/template`);
  const bad = async (name: string, text: string, words: string | RegExp) => {
    await fileField(page).setInputFiles({
      name,
      mimeType: 'application/octet-stream',
      buffer: Buffer.from(text),
    });
    await expect(page.getByRole('alert')).toContainText(words);
  };
  await bad('notes.txt', 'hello', 'SVG, DXF or PDF');
  await bad('broken.pdf', '%PDF-1.4 and no more', 'damaged');
  await bad('broken.dxf', 'no drawing', 'damaged');
  await bad('empty.svg', '', 'is empty');
  await bad('page.svg', '<html></html>', 'no drawing in this file');
  await bad('broken.stl', 'solid', /no faces|can’t be read/);
  await bad('photo.jpg', 'no photo', 'damaged');
  const ran =
    '<svg viewBox="0 0 100 100"><script>document.title="ran"</script><rect width="50" height="50" fill="none" stroke="#000" onload="document.title=\'ran\'"/></svg>';
  await fileField(page).setInputFiles({
    name: 'script.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(ran),
  });
  await expect(page.getByText('A script in the file was left alone')).toBeVisible();
  await expect(page.getByText('does not say how large it is')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Take it in' })).toBeDisabled();
  await choose(page, 'Units of the file', '1 unit is 1 cm');
  await expect(page.getByRole('table', { name: 'Outlines' })).toContainText('2500 cm²');
  // Or by a length that is known: its upper edge is 100 mm.
  await page.getByRole('button', { name: 'I know a length' }).click();
  const corners = await page
    .locator('.one .cut')
    .first()
    .evaluate((square) => {
      const { x, y, width } = (square as SVGGraphicsElement).getBBox();
      const map = (square as SVGGraphicsElement).getScreenCTM()!;
      return [x, x + width].map((at) => {
        const { x: left, y: top } = new DOMPoint(at, y).matrixTransform(map);
        return { left, top };
      });
    });
  for (const { left, top } of corners) await page.mouse.click(left, top);
  await page.getByLabel('It is').pressSequentially('100');
  await expect(page.getByText('Scaled by the length you know.')).toBeVisible();
  await expect(page.getByRole('table', { name: 'Outlines' })).toContainText(/(99|100|101) cm²/);
  expect(await page.title()).not.toBe('ran');

  await fileField(page).setInputFiles(sample('shoulder-cap.obj'));
  // A cap of 110 mm down to 80°: 2π · 110² · (1 − cos 80°) mm² = 628 cm², a little less as it is made of flat faces.
  await expect(page.getByTestId('outer-area')).toHaveText('627 cm²');
  await choose(page, 'Units of the file', 'inches: 5503 mm at its longest');
  await expect(page.getByText('In these units it would be 5503 mm long')).toBeVisible();
  await choose(page, 'Units of the file', 'millimetres: 217 mm at its longest');
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByRole('heading', { name: 'Shoulder cap' })).toBeVisible();
  await page.getByRole('button', { name: 'Change the piece' }).click();
  await expect(page.getByLabel('Thickness')).toHaveValue('6');
  await expect(page.getByLabel('Bend radius')).toHaveValue(/^1(09|10)/);
  await page.getByRole('button', { name: 'Not now' }).click();

  // The same shell as STL, in inches on the user's screens.
  await page.getByRole('button', { name: /^Build: / }).click();
  await page.getByText('Inches, fl oz, °F').click();
  await page.goto(`${server.url}${path}/template`);
  await fileField(page).setInputFiles(sample('shoulder-cap.stl'));
  await expect(page.getByTestId('outer-area')).toHaveText('97.19 in²');
  await fileField(page).setInputFiles(sample('buckle.dxf'));
  const row = page.getByRole('table', { name: 'Outlines' }).getByRole('row').first();
  await expect(row).toContainText('3 holes');
  await expect(page.getByLabel('Thickness')).toHaveValue('0.236');
  await page.getByLabel('Thickness').fill('10 mm');
  await page.getByRole('button', { name: 'Take in 2 pieces' }).click();
  await page.getByTestId('piece-buckle').click();
  await page.getByRole('button', { name: 'Change the piece' }).click();
  await expect(page.getByLabel('Thickness')).toHaveValue('0.394');
});
