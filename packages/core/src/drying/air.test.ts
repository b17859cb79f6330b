import { epochMinute } from '../model/wallTime';
import { climateSeries } from './climateSeries';
import {
  dewPointC,
  saturationPressureHpa,
  solventRate,
  twoPartRate,
  vapourPressureDeficitHpa,
  waterEarlyRate,
  waterLateRate,
} from './air';

describe('hourly air', () => {
  it('holds the last value of each list, also where one is shorter', () => {
    const series = climateSeries(
      { kind: 'hourly', start: '2027-02-15T08:00', temperatureC: [12, 11, -2], humidityPct: [50, 60] },
      'UTC',
    );
    const at = (wall: string) => series.airAt(epochMinute(wall, 'UTC'));
    expect(at('2027-02-15T08:30')).toEqual({ temperatureC: 12, humidityPct: 50 });
    expect(at('2027-02-15T10:30')).toEqual({ temperatureC: -2, humidityPct: 60 });
    expect(at('2027-02-20T10:30')).toEqual({ temperatureC: -2, humidityPct: 60 });
  });
});

// Expected numbers are worked out by hand from the formulas of docs/domain.md, "The drying model".
describe('air', () => {
  it('gives the Magnus saturation pressure', () => {
    // 6.112·exp(17.62·21/(243.12+21)) = 6.112·exp(370.02/264.12) = 6.112·exp(1.400954) = 6.112·4.05907 = 24.809
    expect(saturationPressureHpa(21)).toBeCloseTo(24.809, 2);
    // At 0 °C the exponent is 0.
    expect(saturationPressureHpa(0)).toBeCloseTo(6.112, 6);
  });

  it('gives half the saturation pressure as deficit at 50 %', () => {
    expect(vapourPressureDeficitHpa({ temperatureC: 21, humidityPct: 50 })).toBeCloseTo(12.405, 2);
  });

  it('finds the dew point, which is the temperature itself in saturated air', () => {
    expect(dewPointC({ temperatureC: 14, humidityPct: 100 })).toBeCloseTo(14, 6);
    // ln 0.5 + 1.400954 = 0.707807; 243.12·0.707807/(17.62−0.707807) = 172.082/16.912193 = 10.175
    expect(dewPointC({ temperatureC: 21, humidityPct: 50 })).toBeCloseTo(10.175, 2);
  });

  it('runs every clock at label speed in reference air', () => {
    const air = { temperatureC: 21, humidityPct: 50 };
    expect(waterEarlyRate(air)).toBeCloseTo(1, 9);
    expect(waterLateRate(air)).toBeCloseTo(1, 9);
    expect(solventRate(air)).toBeCloseTo(1, 9);
    expect(twoPartRate(air)).toBeCloseTo(1, 9);
  });

  it('halves early water drying when the deficit halves', () => {
    // At one temperature the deficit is proportional to 100 − RH: 25 against 50.
    expect(waterEarlyRate({ temperatureC: 21, humidityPct: 75 })).toBeCloseTo(0.5, 9);
  });

  it('keeps early water drying within 0.05 and 3', () => {
    expect(waterEarlyRate({ temperatureC: 21, humidityPct: 100 })).toBe(0.05);
    expect(waterEarlyRate({ temperatureC: 45, humidityPct: 5 })).toBe(3);
  });

  it('doubles later water drying with ten degrees and takes the root of dryness', () => {
    expect(waterLateRate({ temperatureC: 31, humidityPct: 50 })).toBeCloseTo(2, 9);
    // (100−87.5)/50 = 0.25, whose root is 0.5.
    expect(waterLateRate({ temperatureC: 21, humidityPct: 87.5 })).toBeCloseTo(0.5, 9);
    // Dryness is held within 0.1 and 2: root 2 = 1.41421.
    expect(waterLateRate({ temperatureC: 21, humidityPct: 0 })).toBeCloseTo(Math.SQRT2, 9);
  });

  it('speeds solvent by 1.7 and two-part by 2.095 for ten degrees', () => {
    expect(solventRate({ temperatureC: 31, humidityPct: 50 })).toBeCloseTo(1.7, 9);
    // 55000/8.314 = 6615.35; 1/294.15 − 1/304.15 = 1.117747e-4; product 0.739429; exp = 2.0947
    expect(twoPartRate({ temperatureC: 31, humidityPct: 50 })).toBeCloseTo(2.0947, 3);
  });
});
