import {
  measureSystem,
  sayC,
  sayCm2,
  sayG,
  sayM,
  sayMl,
  sayMm,
  sayUm,
  sayWarmerC,
  speakMeasuresAs,
} from './sayMeasure';

afterEach(() => speakMeasuresAs('metric'));

it('says measures in the metric system until told otherwise', () => {
  expect(measureSystem()).toBe('metric');
  expect([sayMl(0.44), sayMl(7.04), sayMl(238.4), sayMl(1240)]).toEqual([
    '0.4 ml',
    '7 ml',
    '238 ml',
    '1.2 l',
  ]);
  expect([sayG(1.24), sayG(25.4)]).toEqual(['1.2 g', '25 g']);
  expect([sayMm(5), sayMm(12.54)]).toEqual(['5 mm', '12.5 mm']);
  expect([sayM(4.26), sayM(25)]).toEqual(['4.3 m', '25 m']);
  expect(sayCm2(600)).toBe('600 cm²');
  expect([sayC(8.46), sayC(-0.04)]).toEqual(['8.5 °C', '0 °C']);
  expect(sayWarmerC(3)).toBe('3 °C');
  expect([sayUm(4.46), sayUm(72.4)]).toEqual(['4.5 µm', '72 µm']);
});

it('never says that some is none', () => {
  expect([sayMl(0.03), sayMl(0), sayG(0.02)]).toEqual(['0.1 ml', '0 ml', '0.1 g']);
  speakMeasuresAs('imperial');
  // 0.1 / 29.5735 = 0.0034.
  expect([sayMl(0.1), sayMl(0), sayG(0.02)]).toEqual(['0.01 fl oz', '0 fl oz', '0.01 oz']);
});

it('says them in inches, ounces and °F', () => {
  speakMeasuresAs('imperial');
  // 250 / 29.5735 = 8.4535; 7 / 29.5735 = 0.2367; 1000 / 29.5735 = 33.81.
  expect([sayMl(250), sayMl(7), sayMl(1000)]).toEqual(['8.5 fl oz', '0.24 fl oz', '34 fl oz']);
  // 25 / 28.3495 = 0.8818.
  expect(sayG(25)).toBe('0.88 oz');
  // 5 / 25.4 = 0.1969; 300 / 25.4 = 11.81.
  expect([sayMm(5), sayMm(300)]).toEqual(['0.2 in', '12 in']);
  // 25 / 0.3048 = 82.02; 1.5 / 0.3048 = 4.92.
  expect([sayM(25), sayM(1.5)]).toEqual(['82 ft', '4.9 ft']);
  // 600 / 6.4516 = 93.0.
  expect(sayCm2(600)).toBe('93 in²');
  // 18.4 · 1.8 + 32 = 65.1; -40 is the same in both.
  expect([sayC(18.4), sayC(-40)]).toEqual(['65 °F', '-40 °F']);
  // A difference knows no 32: 3 · 1.8 = 5.4.
  expect(sayWarmerC(3)).toBe('5 °F');
  // 72 / 25.4 = 2.83; 12 / 25.4 = 0.472.
  expect([sayUm(72), sayUm(12)]).toEqual(['2.8 mil', '0.47 mil']);
});
