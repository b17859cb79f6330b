// Writes the sample templates in demo/templates, of our own invention, one in each format that the app reads: run it after a change here.
// `node scripts/sampleTemplates.mjs`
import { mkdirSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { root } from './prepare.mjs';

const ofCore = createRequire(join(root, 'packages/core/package.json'));
const svgpath = ofCore('svgpath');
const { Bezier } = ofCore('bezier-js');
const folder = join(root, 'demo/templates');
mkdirSync(folder, { recursive: true });

/** Kelp Warden: six pieces in mm, black to cut, red where paint changes, blue grooves. */
const pieces = [
  {
    name: 'Chest shell',
    at: [15, 20],
    cut: ['M0 40 C20 5 60 0 90 20 C120 0 160 5 180 40 L168 150 Q90 190 12 150 Z'],
    zone: [['shell', 'M35 55 Q90 25 145 55 L138 130 Q90 150 42 130 Z']],
    groove: ['M90 62 L90 132', 'M65 66 L70 128', 'M115 66 L110 128'],
  },
  {
    name: 'Shoulder x2 mirrored',
    at: [15, 205],
    cut: ['M0 60 A70 60 0 0 1 140 60 L120 85 Q70 70 20 85 Z'],
    zone: [['rim', 'M0 60 L20 85 Q70 70 120 85 L140 60 Q70 42 0 60 Z']],
    groove: ['M30 40 Q70 22 110 40'],
  },
  {
    name: 'Bracer x2',
    at: [10, 12],
    page: 1,
    cut: ['M0 0 L110 12 L110 148 L0 160 Z'],
    zone: [['cuff', 'M0 0 L25 2.727 L25 157.273 L0 160 Z']],
    groove: ['M50 8 L50 152', 'M80 11 L80 149'],
  },
  {
    name: 'Belt disc',
    at: [130, 12],
    page: 1,
    cut: ['M30 0 A30 30 0 1 1 29.99 0 Z', 'M30 20 A10 10 0 1 1 29.99 20 Z'],
    zone: [],
    groove: [],
  },
  {
    name: 'Fin x4',
    at: [130, 85],
    page: 1,
    cut: ['M0 90 C0 40 20 5 55 0 C45 30 50 60 60 90 Z'],
    zone: [['tip', 'M18 30 C26 14 39 2 55 0 C50 13 48 25 48 36 Z']],
    groove: ['M12 84 Q22 45 44 22', 'M28 86 Q34 55 47 34'],
  },
  {
    name: 'Greave x2 mirrored',
    at: [10, 185],
    page: 1,
    cut: ['M0 0 Q85 22 170 0 L160 95 Q85 75 10 95 Z'],
    zone: [['knee', 'M20 5 Q85 22 150 5 L146 38 Q85 52 24 38 Z']],
    groove: [],
  },
];
const colours = { cut: '#000000', zone: '#c8102e', groove: '#1f5fbf' };
const pageOf = (n) => pieces.filter(({ page = 0 }) => page === n);
const placedPath = (d, [x, y]) => svgpath(d).abs().unshort().unarc().translate(x, y).round(3);

/** Where the name stands, below the middle of the cut box's left. */
function labelAt({ cut, at }) {
  let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
  placedPath(cut[0], at).iterate(([letter, ...values], _n, x, y) => {
    if (letter === 'Z' || letter === 'z') return;
    const flat = letter === 'H' ? [values[0], y] : letter === 'V' ? [x, values[0]] : values;
    const curve = new Bezier([
      x,
      y,
      ...(letter === 'M' || flat.length === 2 ? [...flat.slice(-2), ...flat.slice(-2)] : flat),
    ]);
    const points = letter === 'M' ? [{ x: values[0], y: values[1] }] : curve.getLUT(20);
    for (const point of points) {
      left = Math.min(left, point.x);
      right = Math.max(right, point.x);
      top = Math.min(top, point.y);
      bottom = Math.max(bottom, point.y);
    }
  });
  return [left, bottom + 6, right, top];
}

// SVG: one drawing, layers as groups.
{
  const all = pieces.map((piece) => ({ ...piece, at: [piece.at[0] + 200 * (piece.page ?? 0), piece.at[1]] }));
  const layer = (key) =>
    `  <g inkscape:groupmode="layer" inkscape:label="${key}" fill="none" stroke="${colours[key]}" stroke-width="0.4">\n` +
    all
      .flatMap((piece) => piece[key].map((one) => (key === 'zone' ? one[1] : one)).map((d) => [d, piece.at]))
      .map(([d, [x, y]]) => `    <path transform="translate(${x} ${y})" d="${d}"/>`)
      .join('\n') +
    '\n  </g>\n';
  const words =
    `  <g inkscape:groupmode="layer" inkscape:label="words" font-size="5">\n` +
    all
      .flatMap((piece) => {
        const [x, y] = labelAt(piece);
        return [
          `    <text x="${x}" y="${y}">${piece.name}</text>`,
          ...piece.zone.map(([name, d]) => {
            const [zx, zy, zr, zt] = labelAt({ cut: [d], at: piece.at });
            return `    <text x="${(zx + zr) / 2}" y="${(zy - 6 + zt) / 2}" text-anchor="middle">${name}</text>`;
          }),
        ];
      })
      .join('\n') +
    '\n  </g>\n';
  writeFileSync(
    join(folder, 'kelp-warden.svg'),
    `<svg xmlns="http://www.w3.org/2000/svg" xmlns:inkscape="http://www.inkscape.org/namespaces/inkscape" width="410mm" height="297mm" viewBox="0 0 410 297">\n${layer('cut')}${layer('zone')}${layer('groove')}${words}</svg>\n`,
  );
}

// PDF: two pages of A4, by colour.
{
  const unit = 72 / 25.4;
  const number = (value) => String(Math.round(value * 1000) / 1000);
  const rgb = (hex) => [1, 3, 5].map((at) => number(parseInt(hex.slice(at, at + 2), 16) / 255)).join(' ');
  const pathOf = (d, at) => {
    const parts = [];
    placedPath(d, at).iterate((segment, _n, x, y) => {
      const [letter, ...values] = segment;
      const list = values.map(number).join(' ');
      if (letter === 'M') parts.push(`${list} m`);
      if (letter === 'L') parts.push(`${list} l`);
      if (letter === 'C') parts.push(`${list} c`);
      if (letter === 'Q') {
        const [qx, qy, ex, ey] = values;
        const third = (from, to) => from + (2 / 3) * (to - from);
        parts.push(
          `${[third(x, qx), third(y, qy), third(ex, qx), third(ey, qy), ex, ey].map(number).join(' ')} c`,
        );
      }
      if (letter === 'Z' || letter === 'z') parts.push('h');
    });
    return `${parts.join(' ')} S`;
  };
  const content = (n) => {
    const lines = [`q ${number(unit)} 0 0 ${number(-unit)} 0 ${number(297 * unit)} cm 0.4 w`];
    for (const key of ['cut', 'zone', 'groove']) {
      lines.push(`${rgb(colours[key])} RG`);
      for (const piece of pageOf(n))
        for (const one of piece[key]) lines.push(pathOf(key === 'zone' ? one[1] : one, piece.at));
    }
    lines.push('Q BT /F1 12 Tf');
    const write = (x, y, text) =>
      lines.push(`1 0 0 1 ${number(x * unit)} ${number((297 - y) * unit)} Tm (${text}) Tj`);
    for (const piece of pageOf(n)) {
      const [x, y] = labelAt(piece);
      write(x, y, piece.name);
      for (const [name, d] of piece.zone) {
        const [zx, zy, zr, zt] = labelAt({ cut: [d], at: piece.at });
        write((zx + zr) / 2 - 4, (zy - 6 + zt) / 2, name);
      }
    }
    lines.push('ET');
    return lines.join('\n');
  };
  const objects = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    '<< /Type /Pages /Kids [3 0 R 5 0 R] /Count 2 >>',
    ...[0, 1].flatMap((n) => {
      const text = content(n);
      return [
        `<< /Type /Page /Parent 2 0 R /MediaBox [0 0 ${number(210 * unit)} ${number(297 * unit)}] /Contents ${4 + n * 2} 0 R /Resources << /Font << /F1 7 0 R >> >> >>`,
        `<< /Length ${text.length} >>\nstream\n${text}\nendstream`,
      ];
    }),
    '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>',
  ];
  let file = '%PDF-1.4\n';
  const places = objects.map((object, at) => {
    const place = file.length;
    file += `${at + 1} 0 obj\n${object}\nendobj\n`;
    return place;
  });
  const table = file.length;
  file += `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${places.map((place) => `${String(place).padStart(10, '0')} 00000 n \n`).join('')}`;
  file += `trailer\n<< /Size ${objects.length + 1} /Root 1 0 R >>\nstartxref\n${table}\n%%EOF\n`;
  writeFileSync(join(folder, 'kelp-warden.pdf'), file, 'latin1');
}

// DXF: a buckle and a strap end in mm, with what drawing programs write: bulges, arcs with lines, a circle, a spline, a block.
{
  const lines = [];
  const put = (...pairs) => {
    for (let at = 0; at < pairs.length; at += 2) lines.push(String(pairs[at]), String(pairs[at + 1]));
  };
  put(0, 'SECTION', 2, 'HEADER', 9, '$INSUNITS', 70, 4, 0, 'ENDSEC');
  put(0, 'SECTION', 2, 'BLOCKS', 0, 'BLOCK', 8, '0', 2, 'RIVET', 10, 0, 20, 0);
  put(0, 'CIRCLE', 8, '0', 10, 0, 20, 0, 40, 4, 0, 'ENDBLK', 8, '0', 0, 'ENDSEC');
  put(0, 'SECTION', 2, 'ENTITIES');
  // The buckle: 120 by 80 with ends that are half round.
  put(0, 'LWPOLYLINE', 8, 'CUT', 90, 4, 70, 1);
  put(10, 40, 20, 0, 42, 0, 10, 120, 20, 0, 42, 1, 10, 120, 20, 80, 42, 0, 10, 40, 20, 80, 42, 1);
  put(0, 'CIRCLE', 8, 'CUT', 10, 80, 20, 40, 40, 15);
  put(0, 'CIRCLE', 8, 'PAINT', 10, 80, 20, 40, 40, 28);
  put(0, 'INSERT', 8, 'CUT', 2, 'RIVET', 10, 20, 20, 40);
  put(0, 'INSERT', 8, 'CUT', 2, 'RIVET', 10, 140, 20, 40);
  put(0, 'TEXT', 8, 'NOTES', 10, 60, 20, -10, 40, 6, 1, 'Buckle');
  // The strap end: three lines and an arc that meet.
  put(0, 'LINE', 8, 'CUT', 10, 0, 20, -60, 11, 200, 21, -60);
  put(0, 'LINE', 8, 'CUT', 10, 200, 20, -100, 11, 0, 21, -100);
  put(0, 'LINE', 8, 'CUT', 10, 0, 20, -60, 11, 0, 21, -100);
  put(0, 'ARC', 8, 'CUT', 10, 200, 20, -80, 40, 20, 50, 270, 51, 90);
  put(0, 'SPLINE', 8, 'GROOVE', 70, 8, 71, 3, 72, 8, 73, 4);
  put(40, 0, 40, 0, 40, 0, 40, 0, 40, 1, 40, 1, 40, 1, 40, 1);
  put(10, 20, 20, -80, 10, 70, 20, -50, 10, 120, 20, -110, 10, 190, 20, -80);
  put(0, 'TEXT', 8, 'NOTES', 10, 20, 20, -112, 40, 6, 1, 'Strap end x2');
  put(0, 'ENDSEC', 0, 'EOF');
  writeFileSync(join(folder, 'buckle.dxf'), lines.join('\n') + '\n');
}

// OBJ: a shoulder cap as a shell of 6 mm, its crown and its rim as groups. STL: the same shell as one body.
{
  const [radius, thick, steps, rings] = [110, 6, 48, 16];
  const far = (80 * Math.PI) / 180;
  const points = [];
  const faces = { crown: [], rim: [] };
  const point = (r, ring, step) => {
    const [polar, round] = [(far * ring) / rings, (2 * Math.PI * step) / steps];
    points.push([
      r * Math.sin(polar) * Math.cos(round),
      r * Math.cos(polar),
      r * Math.sin(polar) * Math.sin(round),
    ]);
    return points.length;
  };
  const shell = [radius, radius - thick].map((r) => {
    const top = point(r, 0, 0);
    return {
      top,
      rows: Array.from({ length: rings }, (_, ring) =>
        Array.from({ length: steps }, (_, step) => point(r, ring + 1, step)),
      ),
    };
  });
  shell.forEach(({ top, rows }, side) => {
    const add = (group, a, b, c) => faces[group].push(side === 0 ? [a, b, c] : [a, c, b]);
    for (let step = 0; step < steps; step += 1) {
      const next = (step + 1) % steps;
      add('crown', top, rows[0][next], rows[0][step]);
      for (let ring = 1; ring < rings; ring += 1) {
        const group = ring < 13 ? 'crown' : 'rim';
        add(group, rows[ring - 1][step], rows[ring - 1][next], rows[ring][next]);
        add(group, rows[ring - 1][step], rows[ring][next], rows[ring][step]);
      }
    }
  });
  const [outer, inner] = shell.map(({ rows }) => rows[rings - 1]);
  for (let step = 0; step < steps; step += 1) {
    const next = (step + 1) % steps;
    faces.rim.push([outer[step], outer[next], inner[next]], [outer[step], inner[next], inner[step]]);
  }
  const digits = (list) => list.map((value) => value.toFixed(3)).join(' ');
  writeFileSync(
    join(folder, 'shoulder-cap.obj'),
    `# A shoulder cap, 6 mm thick, in mm\n${points.map((one) => `v ${digits(one)}`).join('\n')}\n${Object.entries(
      faces,
    )
      .map(([name, list]) => `g ${name}\n${list.map((face) => `f ${face.join(' ')}`).join('\n')}`)
      .join('\n')}\n`,
  );
  const triangles = Object.values(faces).flat();
  const stl = Buffer.alloc(84 + 50 * triangles.length);
  stl.write('A shoulder cap, 6 mm thick, in mm', 0);
  stl.writeUInt32LE(triangles.length, 80);
  triangles.forEach((face, at) =>
    face.forEach((corner, n) =>
      points[corner - 1].forEach((value, axis) =>
        stl.writeFloatLE(value, 84 + at * 50 + 12 + n * 12 + axis * 4),
      ),
    ),
  );
  writeFileSync(join(folder, 'shoulder-cap.stl'), stl);
}

// A photo: a shoulder plate on a cutting mat of 300 by 200 mm, seen a little from the side.
{
  // The perspective of four corners (Heckbert 1989): a square of 1 by 1 as it is seen.
  const [[x0, y0], [x1, y1], [x2, y2], [x3, y3]] = [
    [150, 130],
    [1030, 95],
    [1130, 745],
    [70, 700],
  ];
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
  const seen = (u, v) => {
    const w = g * u + h * v + 1;
    return [
      ((x1 - x0 + g * x1) * u + (x3 - x0 + h * x3) * v + x0) / w,
      ((y1 - y0 + g * y1) * u + (y3 - y0 + h * y3) * v + y0) / w,
    ];
  };
  const sharp = createRequire(join(root, 'packages/server/package.json'))('sharp');
  const at = (x, y) =>
    seen(x / 300, y / 200)
      .map((value) => value.toFixed(1))
      .join(' ');
  const line = (points, style) => `<path d="M${points.map(([x, y]) => at(x, y)).join('L')}" ${style}/>`;
  const along = (count, make) => Array.from({ length: count }, (_, n) => make(n));
  const grid = [
    ...along(31, (n) =>
      line(
        [
          [n * 10, 0],
          [n * 10, 200],
        ],
        `stroke="#7fa89a" stroke-width="${n % 5 ? 0.8 : 2}" fill="none"`,
      ),
    ),
    ...along(21, (n) =>
      line(
        [
          [0, n * 10],
          [300, n * 10],
        ],
        `stroke="#7fa89a" stroke-width="${n % 5 ? 0.8 : 2}" fill="none"`,
      ),
    ),
  ];
  // A half disc of 60 mm on a base of 120 by 40: 120·40 + π·60²/2 = 10,455 mm².
  const plate = [
    ...along(61, (n) => [150 - 60 * Math.cos((n * Math.PI) / 60), 110 - 60 * Math.sin((n * Math.PI) / 60)]),
    [210, 150],
    [90, 150],
  ];
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="820"><rect width="1200" height="820" fill="#8a7a68"/>
  ${line(
    [
      [0, 0],
      [300, 0],
      [300, 200],
      [0, 200],
      [0, 0],
    ],
    'fill="#2f6b5a"',
  )}${grid.join('')}
  ${line(
    plate.map(([x, y]) => [x + 2, y + 3]),
    'fill="#1d3a33" fill-opacity="0.6"',
  )}
  ${line(plate, 'fill="#44464a" stroke="#2a2b2e" stroke-width="2"')}</svg>`;
  await sharp(Buffer.from(svg)).jpeg({ quality: 82 }).toFile(join(folder, 'plate-on-mat.jpg'));
}
