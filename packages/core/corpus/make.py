"""Makes the corpus of drawings and meshes that `corpus.test.ts` measures, with the areas that shapely, ezdxf and numpy give them.

Run by hand with Python 3 and shapely, ezdxf, numpy: `python3 make.py`. The files are kept, so that the tests need none of these.
"""
import json
import math
import os
import struct

import ezdxf
import numpy as np
from ezdxf.math import fit_points_to_cad_cv
from shapely.affinity import affine_transform, rotate, scale, translate
from shapely.geometry import Polygon, box
from shapely.ops import unary_union

HERE = os.path.dirname(os.path.abspath(__file__))
entries = []
rng = np.random.default_rng(7)


def cm2(geometry):
    return round(geometry.area / 100, 5)


def note(file, areas, **more):
    entries.append({"file": file, "areasCm2": sorted(round(a, 5) for a in areas), **more})


def circle(x, y, r, n=4000):
    t = np.linspace(0, 2 * np.pi, n, endpoint=False)
    return Polygon(np.column_stack([x + r * np.cos(t), y + r * np.sin(t)]))


def ellipse(x, y, a, b, n=4000):
    t = np.linspace(0, 2 * np.pi, n, endpoint=False)
    return Polygon(np.column_stack([x + a * np.cos(t), y + b * np.sin(t)]))


def bezier(points, n=400):
    p = np.array(points, float)
    t = np.linspace(0, 1, n, endpoint=False)[:, None]
    if len(p) == 4:
        return (1 - t) ** 3 * p[0] + 3 * (1 - t) ** 2 * t * p[1] + 3 * (1 - t) * t**2 * p[2] + t**3 * p[3]
    return (1 - t) ** 2 * p[0] + 2 * (1 - t) * t * p[1] + t**2 * p[2]


def d_of(coords):
    return "M" + "L".join(f"{x:.4f} {y:.4f}" for x, y in coords) + "Z"


def rings(geometry):
    return [list(geometry.exterior.coords)[:-1]] + [list(r.coords)[:-1] for r in geometry.interiors]


LINE = 'fill="none" stroke="#000" stroke-width="0.2"'


def svg(name, inside, areas, root='width="400mm" height="300mm" viewBox="0 0 400 300"', encoding="utf-8", **more):
    text = f'<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" {root}>{inside}</svg>'
    with open(f"{HERE}/drawings/{name}.svg", "wb") as out:
        out.write(text.encode(encoding))
    note(f"drawings/{name}.svg", areas, **more)


# Well-made drawings.
star = Polygon([(150 + (90 if n % 2 else 45) * math.cos(n * math.pi / 7), 150 + (90 if n % 2 else 45) * math.sin(n * math.pi / 7)) for n in range(14)])
svg("star", f'<path {LINE} d="{d_of(rings(star)[0])}"/>', [cm2(star)])
leaf_curves = [[(100, 40), (180, 60), (190, 200), (100, 260)], [(100, 260), (10, 200), (20, 60), (100, 40)]]
leaf = Polygon(np.vstack([bezier(c) for c in leaf_curves]))
svg("leaf-cubic", f'<path {LINE} d="M100 40C180 60 190 200 100 260C10 200 20 60 100 40z"/>', [cm2(leaf)])
drop = Polygon(np.vstack([bezier([(100, 40), (190, 160), (100, 240)]), bezier([(100, 240), (10, 160), (100, 40)])]))
svg("drop-quadratic", f'<path {LINE} d="M100 40Q190 160 100 240Q10 160 100 40Z"/>', [cm2(drop)])
svg("smooth-relative", f'<path {LINE} d="m100 40c80 20 90 160 0 220s-80-200 0-220z"/>', [cm2(Polygon(np.vstack([bezier([(100, 40), (180, 60), (190, 200), (100, 260)]), bezier([(100, 260), (10, 320), (20, 60), (100, 40)])])))])
pie = Polygon(np.vstack([[(200, 150)], np.column_stack([200 + 100 * np.cos(np.linspace(0, 1.5 * np.pi, 4000)), 150 + 100 * np.sin(np.linspace(0, 1.5 * np.pi, 4000))])]))
svg("pie-arc", f'<path {LINE} d="M200 150L300 150A100 100 0 1 1 200 50Z"/>', [cm2(pie)])
svg("ring", f'<circle {LINE} cx="200" cy="150" r="120"/><circle {LINE} cx="200" cy="150" r="70"/>', [cm2(circle(200, 150, 120).difference(circle(200, 150, 70)))])
svg("ellipse-turned", f'<ellipse {LINE} cx="200" cy="150" rx="140" ry="60" transform="rotate(33 200 150)"/>', [cm2(ellipse(200, 150, 140, 60))])
rounded = box(70, 60, 280, 190).buffer(30, resolution=2000)
svg("rounded-box", f'<rect {LINE} x="40" y="30" width="270" height="190" rx="30"/>', [cm2(rounded)])
two_holes = box(20, 20, 380, 280).difference(circle(120, 150, 40)).difference(box(220, 100, 340, 200))
svg("two-holes", f'<path {LINE} d="M20 20H380V280H20Z"/><circle {LINE} cx="120" cy="150" r="40"/><path {LINE} d="M220 100h120v100h-120z"/>', [cm2(two_holes)])
svg("nested-island", f'<path {LINE} d="M20 20h300v260h-300z"/><path {LINE} d="M60 60h200v180h-200z"/><path {LINE} d="M100 100h100v100h-100z"/>', [(300 * 260 - 200 * 180) / 100, 100])
svg("units-cm", f'<rect {LINE} x="1cm" y="1cm" width="120mm" height="2in"/>', [120 * 50.8 / 100], root='width="40cm" height="30cm"')
svg("units-inch", f'<path {LINE} d="M1 1h5v3h-5z"/>', [15 * 6.4516], root='width="8in" height="6in" viewBox="0 0 8 6"')
svg("units-point", f'<path {LINE} d="M72 72h144v72h-144z"/>', [2 * 6.4516], root='width="576pt" height="432pt" viewBox="0 0 576 432"')
svg("wide-page-meet", f'<path {LINE} d="M10 10h80v60h-80z"/>', [48 * 4], root='width="400mm" height="200mm" viewBox="0 0 100 100"')
svg("wide-page-slice", f'<path {LINE} d="M10 30h80v30h-80z"/>', [24 * 16], root='width="400mm" height="200mm" viewBox="0 0 100 100" preserveAspectRatio="xMidYMid slice"')
svg("wide-page-none", f'<path {LINE} d="M10 10h80v60h-80z"/>', [48 * 8], root='width="400mm" height="200mm" viewBox="0 0 100 100" preserveAspectRatio="none"')
svg("frame-in-frame", f'<svg x="20" y="20" width="200" height="100" viewBox="0 0 50 50"><svg x="5" width="20" height="20" viewBox="0 0 10 10"><circle {LINE} cx="5" cy="5" r="4"/></svg></svg>', [cm2(circle(0, 0, 4)) * 16])
svg("symbol-used", f'<symbol id="s" viewBox="0 0 20 10"><rect {LINE} x="1" y="1" width="18" height="8"/></symbol><use href="#s" width="200" height="100"/><use xlink:href="#s" x="220" y="20" width="100" height="100"/>', [144, 36])
svg("skewed", f'<g transform="translate(60 20) skewX(25) scale(2 1.5)"><rect {LINE} width="80" height="60"/></g>', [cm2(affine_transform(box(0, 0, 80, 60), [2, 1.5 * math.tan(math.radians(25)), 0, 1.5, 0, 0]))])
svg("style-sheet", '<style>path, .cut { fill: none; stroke: #c00 } #gone { display: none }</style><path d="M10 10h90v90h-90z"/><circle class="cut" cx="250" cy="150" r="50"/><path id="gone" d="M0 0h99v99h-99z"/>', [81, cm2(circle(0, 0, 50))])
svg("path-in-style", '<style>path { fill: none; stroke: black; d: path("M20 20h100v60h-100z") }</style><path/>', [60])
svg("per-cent", f'<rect {LINE} x="10%" y="10%" width="50%" height="50%"/>', [300])
svg("wide-text", f'<title>Größe</title><path {LINE} d="M20 20h130v70h-130z"/>', [91], encoding="utf-16")
svg("in-pieces", "".join(f'<path {LINE} d="M{a[0]} {a[1]}L{b[0]} {b[1]}"/>' for a, b in [((20, 20), (220, 20)), ((220.1, 120), (220, 20.1)), ((220, 120), (20, 120)), ((20, 120), (20.1, 20))]), [200], tolerance=0.002)
svg("two-layers", f'<g id="a">{""}</g><path fill="none" stroke="#f00" d="M20 20h200v100h-200z"/><path fill="none" stroke="#00f" d="M40 40h50v50h-50z"/>', [200])

# Odd ones.
plate = box(20, 20, 320, 220)


def pen(geometry, width):
    band = geometry.exterior.buffer(width / 2, join_style=2, mitre_limit=20, cap_style=2)
    return "".join(f'<path d="{d_of(ring)}" fill="#000"/>' for ring in rings(band))


svg("pen-box", pen(plate, 1), [600], asks="thin")
svg("pen-star", pen(star, 0.6), [cm2(star)], asks="thin")
svg("pen-round", f'<path fill="#000" fill-rule="evenodd" d="{d_of(rings(circle(150, 150, 80.5, 300))[0])}{d_of(rings(circle(150, 150, 79.5, 300))[0])}"/>', [cm2(circle(0, 0, 80))], asks="thin")
svg("pen-and-hole", pen(plate, 1.2) + pen(circle(150, 120, 40, 300), 1.2), [cm2(plate.difference(circle(150, 120, 40)))], asks="thin")
svg("pen-groove", f'<path {LINE} d="{d_of(rings(plate)[0])}"/><path d="M60 119.6h200v0.8h-200z"/>', [600], asks="thin")


def letter(kind, x, y, h):
    s = h / 20
    shapes = {
        "L": Polygon([(0, 0), (4, 0), (4, 16), (12, 16), (12, 20), (0, 20)]),
        "T": Polygon([(0, 0), (14, 0), (14, 4), (9, 4), (9, 20), (5, 20), (5, 4), (0, 4)]),
        "O": ellipse(8, 10, 8, 10, 80).difference(ellipse(8, 10, 4, 6, 80)),
        "A": Polygon([(0, 20), (6, 0), (10, 0), (16, 20), (12, 20), (11, 15), (5, 15), (4, 20)]).difference(Polygon([(6.2, 12), (9.8, 12), (8, 6)])),
        "F": Polygon([(0, 0), (12, 0), (12, 4), (4, 4), (4, 8), (10, 8), (10, 12), (4, 12), (4, 20), (0, 20)]),
        "i": box(0, 6, 4, 20),
    }
    return translate(scale(shapes[kind], s, s, origin=(0, 0)), x, y), {"L": 14, "T": 16, "O": 18, "A": 18, "F": 14, "i": 6}[kind] * s


def word(text, x, y, h):
    out = []
    for kind in text:
        shape, step = letter(kind, x, y, h)
        out += rings(shape)
        x += step
    return "".join(f'<path {LINE} d="{d_of(ring)}"/>' for ring in out)


outline = f'<path {LINE} d="{d_of(rings(plate)[0])}"/>'
svg("letters-on-plate", outline + word("LATO", 60, 90, 20), [600], asks="letters")
svg("letters-small", outline + word("FOAiL", 60, 90, 8), [600], asks="letters")
svg("letters-large", outline + word("TAiL", 60, 90, 40), [600], asks="letters")
svg("letters-down", outline + f'<g transform="rotate(90 160 120)">{word("FLAT", 130, 110, 18)}</g>', [600], asks="letters")
laces = [circle(60 + 30 * n, 60, 4) for n in range(8)]
svg("lace-holes", outline + "".join(f'<circle {LINE} cx="{60 + 30 * n}" cy="60" r="4"/>' for n in range(8)), [cm2(plate.difference(unary_union(laces)))])
slots = [box(60 + 30 * n, 60, 70 + 30 * n, 64) for n in range(6)]
svg("belt-slots", outline + "".join(f'<path {LINE} d="{d_of(rings(s)[0])}"/>' for s in slots), [cm2(plate.difference(unary_union(slots)))])
svg("cut-across", outline + f'<path {LINE} d="M120 20V220"/>', [600], asks="across")
svg("cut-across-twice", outline + f'<path {LINE} d="M120 20V220"/><path {LINE} d="M220 20L200 220"/>', [600], asks="across")
svg("shared-side", f'<path {LINE} d="M20 20h150v100h-150z"/><path {LINE} d="M170 20h120v100h-120"/>', [150, 120], asks="shared")
svg("shared-corner", f'<path {LINE} d="M20 20h150v100h-150z"/><path {LINE} d="M170 60h100v150h-200v-90"/>', [150, cm2(box(70, 60, 270, 210).difference(box(20, 20, 170, 120)))], asks="shared")
svg("drawn-twice", outline * 2 + f'<circle {LINE} cx="150" cy="120" r="30"/>' * 3, [cm2(plate.difference(circle(150, 120, 30)))], asks="doubles")
svg("filled-and-stroked", '<path fill="#ddd" stroke="#000" d="M20 20h200v100h-200z"/>', [200])
svg("sides-twice", "".join(f'<path {LINE} d="M{a}L{b}"/>' for a, b in [("20 20", "220 20"), ("220 20", "220 120"), ("220 120", "20 120"), ("20 120", "20 20"), ("20 20", "20 120")]), [200], asks="doubles")
svg("crossing-eight", f'<path {LINE} d="M20 20L120 120L120 20L20 120Z"/>', [25, 25], asks="crosses")
svg("page-frame", f'<path {LINE} d="M5 5h390v290h-390z"/><path {LINE} d="M60 60h100v100h-100z"/>', [100], asks="frames")
svg("marks", outline + "".join(f'<path {LINE} d="M{x} 250h4v4h-4z"/>' for x in (30, 60, 90)), [600], asks="tiny")
svg("no-unit-72", f'<path {LINE} d="M72 72h144v72h-144z"/>', [2 * 6.4516], root='width="595" height="842" viewBox="0 0 595 842"', unit=25.4 / 72)
svg("no-unit-90", f'<path {LINE} d="M90 90h180v90h-180z"/>', [2 * 6.4516], root='width="744.09" height="1052.36"', unit=25.4 / 90)
svg("no-unit-96", f'<path {LINE} d="M96 96h192v96h-192z"/>', [2 * 6.4516], root='width="793.7" height="1122.5"', unit=25.4 / 96)
svg("over-the-page", f'<path {LINE} d="M300 20h200v100h-200z"/>', [200], asks="beyond")


def dxf(name, draw, areas, units=4, **more):
    doc = ezdxf.new("R2010")
    doc.header["$INSUNITS"] = units
    draw(doc, doc.modelspace())
    doc.saveas(f"{HERE}/drawings/{name}.dxf")
    note(f"drawings/{name}.dxf", areas, **more)


def lines(msp, points, **attribs):
    for a, b in zip(points, points[1:] + points[:1]):
        msp.add_line(a, b, dxfattribs=attribs)


dxf("lines", lambda doc, msp: lines(msp, [(0, 0), (150, 0), (150, 80), (0, 80)]), [120])
dxf("inches", lambda doc, msp: lines(msp, [(0, 0), (5, 0), (5, 3), (0, 3)]), [15 * 6.4516], units=1)
dxf("circle-hole", lambda doc, msp: (msp.add_circle((0, 0), 90), msp.add_circle((10, 0), 30)), [math.pi * (8100 - 900) / 100])
dxf("bulges", lambda doc, msp: msp.add_lwpolyline([(0, 0, 0), (100, 0, 1), (100, 60, 0), (0, 60, -0.5)], format="xyb", close=True), [60 + math.pi * 9 / 2 - (lambda b, c: ((c * (b * b + 1) / (4 * b)) ** 2 / 2 * (4 * math.atan(b) - math.sin(4 * math.atan(b)))) / 100)(0.5, 60)])
dxf("arcs", lambda doc, msp: (msp.add_arc((0, 0), 50, 0, 180), msp.add_line((-50, 0), (50, 0))), [math.pi * 12.5])
dxf("ellipse", lambda doc, msp: msp.add_ellipse((0, 0), major_axis=(80, 30), ratio=0.5), [math.pi * (80**2 + 30**2) * 0.5 / 100])
half = lambda doc, msp: (msp.add_ellipse((0, 0), major_axis=(80, 0), ratio=0.5, start_param=0, end_param=math.pi), msp.add_line((-80, 0), (80, 0)))
dxf("half-ellipse", half, [math.pi * 80 * 40 / 200])


def spline_area(spline):
    return Polygon([(p.x, p.y) for p in spline.flattening(0.001)]).area / 100


control = [(0, 0), (60, -40), (120, 20), (150, 90), (60, 140), (-40, 90), (0, 0)]
from ezdxf.math import BSpline

dxf("spline-control", lambda doc, msp: msp.add_open_spline(control), [spline_area(BSpline(control, order=4))])
fit = [(0, 0), (70, -30), (140, 10), (160, 80), (90, 130), (10, 100), (-20, 50), (0, 0)]
dxf("spline-fit", lambda doc, msp: msp.add_spline(fit_points=fit), [spline_area(fit_points_to_cad_cv(fit))], tolerance=0.01)
heart = [(math.cos(t) * (60 + 20 * math.sin(3 * t)), math.sin(t) * (60 + 20 * math.sin(3 * t))) for t in np.linspace(0, 2 * math.pi, 25)]
dxf("spline-fit-fine", lambda doc, msp: msp.add_spline(fit_points=heart), [spline_area(fit_points_to_cad_cv(heart))], tolerance=0.002)
w = math.sqrt(0.5)
quarter = [(80, 0), (80, 80), (0, 80), (-80, 80), (-80, 0), (-80, -80), (0, -80), (80, -80), (80, 0)]
weights = [1, w, 1, w, 1, w, 1, w, 1]
knots = [0, 0, 0, 1, 1, 2, 2, 3, 3, 4, 4, 4]


def rational(doc, msp):
    s = msp.add_spline(degree=2)
    s.control_points, s.weights, s.knots = quarter, weights, knots


dxf("spline-weights", rational, [math.pi * 64])


def block(doc, msp):
    b = doc.blocks.new("PART")
    lines(b, [(0, 0), (40, 0), (40, 20), (0, 20)])
    msp.add_blockref("PART", (10, 10))
    msp.add_blockref("PART", (200, 10), dxfattribs={"xscale": 2, "yscale": 3, "rotation": 30})
    msp.add_blockref("PART", (400, 10), dxfattribs={"column_count": 2, "row_count": 2, "column_spacing": 60, "row_spacing": 60})


dxf("blocks", block, [8, 48, 8, 8, 8, 8])


def layers(doc, msp):
    for layer in ("CUT", "PAINT"):
        doc.layers.add(layer)
    lines(msp, [(0, 0), (200, 0), (200, 100), (0, 100)], layer="CUT")
    lines(msp, [(20, 20), (60, 20), (60, 60), (20, 60)], layer="PAINT")
    msp.add_text("Greave x2", height=8, dxfattribs={"layer": "CUT"}).set_placement((100, 50))


dxf("layers", layers, [200])
dxf("seen-from-behind", lambda doc, msp: msp.add_lwpolyline([(0, 0), (90, 0), (90, 50), (0, 70)], close=True, dxfattribs={"extrusion": (0, 0, -1)}), [54])
dxf("metres", lambda doc, msp: lines(msp, [(0, 0), (0.3, 0), (0.3, 0.2), (0, 0.2)]), [600], units=6)
dxf("gap", lambda doc, msp: (msp.add_line((0, 0), (100, 0)), msp.add_line((100, 0.2), (100, 60)), msp.add_line((100, 60.1), (0, 60)), msp.add_line((0, 60), (0, 0.1))), [60], tolerance=0.005)
dxf("twice", lambda doc, msp: (lines(msp, [(0, 0), (100, 0), (100, 60), (0, 60)]), lines(msp, [(0, 0), (100, 0), (100, 60), (0, 60)])), [60], asks="doubles")
dxf("across", lambda doc, msp: (msp.add_lwpolyline([(0, 0), (200, 0), (200, 100), (0, 100)], close=True), msp.add_line((80, 0), (80, 100))), [200], asks="across")

# Meshes: triangles by numpy, areas by formula.


def stl(name, faces, area, way=None, asks=None, **more):
    faces = np.array(faces, dtype=np.float32)
    with open(f"{HERE}/meshes/{name}.stl", "wb") as out:
        out.write(b"\0" * 80 + struct.pack("<I", len(faces)))
        for face in faces:
            out.write(struct.pack("<12fH", 0, 0, 0, *face.reshape(-1), 0))
    entries.append({"file": f"meshes/{name}.stl", "areasCm2": [round(area, 4)], **({"way": way} if way else {}), **({"asks": asks} if asks else {}), **more})


def quad(a, b, c, d):
    return [(a, b, c), (a, c, d)]


def cuboid(w, d, h, at=(0, 0, 0), inset=0.0):
    p = lambda x, y, z: (at[0] + (inset * z + x * (w - 2 * inset * z)), at[1] + (inset * z + y * (d - 2 * inset * z)), at[2] + z * h)
    return (
        quad(p(0, 0, 0), p(0, 1, 0), p(1, 1, 0), p(1, 0, 0))
        + quad(p(0, 0, 1), p(1, 0, 1), p(1, 1, 1), p(0, 1, 1))
        + quad(p(0, 0, 0), p(1, 0, 0), p(1, 0, 1), p(0, 0, 1))
        + quad(p(0, 1, 0), p(0, 1, 1), p(1, 1, 1), p(1, 1, 0))
        + quad(p(0, 0, 0), p(0, 0, 1), p(0, 1, 1), p(0, 1, 0))
        + quad(p(1, 0, 0), p(1, 1, 0), p(1, 1, 1), p(1, 0, 1))
    )


def turned(faces):
    return [(a, c, b) for a, b, c in faces]


def ball(r, steps=40, until=math.pi, squash=1.0, at=(0, 0, 0)):
    rows = steps // 2
    p = lambda i, j: (at[0] + r * math.sin(until * i / rows) * math.cos(2 * math.pi * (j % steps) / steps), at[1] + r * math.sin(until * i / rows) * math.sin(2 * math.pi * (j % steps) / steps), at[2] + squash * r * math.cos(until * i / rows))
    out = []
    for i in range(rows):
        for j in range(steps):
            a, b, c, d = p(i, j), p(i + 1, j), p(i + 1, j + 1), p(i, j + 1)
            if i < rows - 1 or until < math.pi:
                out.append((a, b, c))
            if i > 0:
                out.append((a, c, d))
    return out


def area_of(faces):
    f = np.array(faces, dtype=np.float64)
    return np.linalg.norm(np.cross(f[:, 1] - f[:, 0], f[:, 2] - f[:, 0]), axis=1).sum() / 200


def tube(r, thick, length, turn=math.pi, steps=60):
    def p(radius, i, z):
        t = turn * i / steps
        return (radius * math.cos(t), radius * math.sin(t), z * length)

    out, outer = [], []
    for i in range(steps):
        o = quad(p(r, i, 0), p(r, i + 1, 0), p(r, i + 1, 1), p(r, i, 1))
        outer += o
        out += o + quad(p(r - thick, i, 0), p(r - thick, i, 1), p(r - thick, i + 1, 1), p(r - thick, i + 1, 0))
        out += quad(p(r, i, 0), p(r - thick, i, 0), p(r - thick, i + 1, 0), p(r, i + 1, 0))
        out += quad(p(r, i, 1), p(r, i + 1, 1), p(r - thick, i + 1, 1), p(r - thick, i, 1))
    out += quad(p(r, 0, 0), p(r, 0, 1), p(r - thick, 0, 1), p(r - thick, 0, 0))
    out += quad(p(r, steps, 0), p(r - thick, steps, 0), p(r - thick, steps, 1), p(r, steps, 1))
    return out, outer


stl("cube", cuboid(100, 100, 100), 600, way="all-round")
stl("plate", cuboid(300, 200, 6), 600, asks="ways")
stl("plate-all-round", cuboid(300, 200, 6), 1260, way="all-round")
stl("plate-inside-out", turned(cuboid(300, 200, 6)), 600)
stl("two-plates-one-turned", cuboid(300, 200, 6) + turned(cuboid(300, 200, 6, at=(400, 0, 0))), 1200)
stl("ball", ball(80), area_of(ball(80)), way="all-round")
stl("ball-inside-out", turned(ball(80)), area_of(ball(80)), way="all-round")
stl("hollow-ball", ball(80) + turned(ball(74)), area_of(ball(80)))
stl("hollow-ball-same-way", ball(80) + ball(74), area_of(ball(80)), asks="notes")
stl("ball-in-hollow-ball", ball(80) + turned(ball(74)) + ball(30), area_of(ball(80)) + area_of(ball(30)))
stl("bowl-sheet", ball(80, until=math.pi / 2), area_of(ball(80, until=math.pi / 2)))
stl("drawn-twice", cuboid(300, 200, 6) * 2, 600, asks="notes")
stl("drawn-twice-turned", cuboid(300, 200, 6) + turned(cuboid(300, 200, 6)), 600, asks="notes")
mixed = cuboid(300, 200, 6)
stl("some-faces-turned", [f if n % 3 else turned([f])[0] for n, f in enumerate(mixed)], 600, asks="notes")
shaken = [tuple(tuple(np.array(c) + rng.uniform(-1e-5, 1e-5, 3)) for c in f) for f in cuboid(100, 100, 100)]
stl("corners-a-hair-apart", shaken, 600, way="all-round")
stl("degenerate-faces", cuboid(300, 200, 6) + [((10, 10, 6), (10, 10, 6), (50, 50, 6)), ((0, 0, 0), (0, 0, 0), (0, 0, 0))], 600)
bevel = math.hypot(3, 6)
stl("bevelled-plate", cuboid(300, 200, 6, inset=3), (294 * 194 + (594 + 394) * bevel) / 100)
half_tube, half_outer = tube(60, 5, 200)
stl("bracer", half_tube, area_of(half_outer))
deep_tube, deep_outer = tube(45, 8, 150, turn=1.6 * math.pi)
stl("cuff", deep_tube, area_of(deep_outer))
blade = []
cut = lambda x, s: [(x, -30 * s, 0), (x, 0, -4 * s), (x, 30 * s, 0), (x, 0, 4 * s)]
near, far = cut(0, 1), cut(900, 0.5)
for n in range(4):
    blade += quad(near[n], far[n], far[(n + 1) % 4], near[(n + 1) % 4])
blade += quad(near[3], near[2], near[1], near[0]) + quad(far[0], far[1], far[2], far[3])
stl("blade", blade, area_of(blade), asks="ways")
sides = [f for f in blade if np.cross(np.subtract(f[1], f[0]), np.subtract(f[2], f[0]))[2] > 1]
stl("blade-one-side", blade, area_of(sides), way="one-side")
lens = ball(100, squash=0.08)
stl("lens", lens, area_of(lens), asks="ways")
stl("rivets-on-a-plate", cuboid(300, 200, 6) + [f for n in range(6) for f in ball(6, steps=16, at=(30 + 45 * n, 100, 20))], 600 + 6 * area_of(ball(6, steps=16)))
stl("small-in-inches", cuboid(12, 8, 0.25), 12 * 8 * 6.4516, unit=25.4)
open_box = [f for n, f in enumerate(cuboid(200, 100, 80)) if n not in (2, 3)]
stl("open-box-sheet", open_box, area_of(open_box))

with open(f"{HERE}/areas.json", "w") as out:
    json.dump(entries, out, indent=1)
    out.write("\n")
drawings = [e for e in entries if e["file"].startswith("drawings")]
print(len(drawings), "drawings,", len(entries) - len(drawings), "meshes")

# One drawing over six pages with a frame, a margin of 10 mm and words on each: for the browser, which reads the PDF.
from reportlab.lib.units import mm as MM
from reportlab.pdfgen import canvas

wavy = [(200 + 180 * (1 + 0.08 * math.sin(5 * t)) * math.cos(t), 165 + 148 * (1 + 0.08 * math.sin(5 * t)) * math.sin(t)) for t in np.linspace(0, 2 * math.pi, 400, endpoint=False)]
pdf = canvas.Canvas(f"{HERE}/tiled.pdf", pagesize=(210 * MM, 297 * MM), invariant=1)
for page in range(6):
    left, top = (page % 3) * 190 - 10, (page // 3) * 277 - 10
    pdf.saveState()
    clip = pdf.beginPath()
    clip.rect(10 * MM, 10 * MM, 190 * MM, 277 * MM)
    pdf.clipPath(clip, stroke=0)
    path = pdf.beginPath()
    for n, (x, y) in enumerate(wavy):
        (path.moveTo if n == 0 else path.lineTo)((x - left) * MM, (297 - (y - top)) * MM)
    path.close()
    pdf.drawPath(path)
    pdf.restoreState()
    pdf.rect(10 * MM, 10 * MM, 190 * MM, 277 * MM)
    pdf.drawString(90 * MM, 4 * MM, f"Page {page + 1} of 6")
    pdf.showPage()
pdf.save()
print("tiled.pdf:", cm2(Polygon(wavy)), "cm2")
