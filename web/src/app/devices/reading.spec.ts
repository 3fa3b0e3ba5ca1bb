import { type Reading, readLine, readTemperatureMeasurement, readWeightMeasurement } from './reading';

const bytes = (...all: number[]): DataView => new DataView(Uint8Array.from(all).buffer);

describe('readings of devices', () => {
  describe('as lines of text', () => {
    const LINES: readonly (readonly [string, Reading])[] = [
      ['12.3 kg', { device: 'scale', kg: 12.3 }],
      ['ST,GS,+  12.30 kg', { device: 'scale', kg: 12.3 }],
      ['1 lb', { device: 'scale', kg: 0.45359237 }],
      ['8,4 mm', { device: 'caliper', mm: 8.4 }],
      ['1 in', { device: 'caliper', mm: 25.4 }],
      ['38.5 C', { device: 'thermometer', celsius: 38.5 }],
      ['OBJ 38.5 °C\r', { device: 'thermometer', celsius: 38.5 }],
      ['212 F', { device: 'thermometer', celsius: 100 }],
      ['-3.5 C', { device: 'thermometer', celsius: -3.5 }],
    ];
    for (const [line, reading] of LINES) it(`reads ${JSON.stringify(line)}`, () => expect(readLine(line)).toEqual(reading));
    for (const line of ['', 'OK', '12.3', 'kg', '12.3 kg of coat', 'ERR 5 x'])
      it(`lets ${JSON.stringify(line)} be`, () => expect(readLine(line)).toBeUndefined());
  });

  // Bluetooth SIG, Weight Scale Service 1.0 and Health Thermometer Service 1.0, from memory: the layouts, with values worked out by hand.
  describe('over Bluetooth', () => {
    it('reads a weight in steps of 0.005 kg, or of 0.01 lb', () => {
      expect(readWeightMeasurement(bytes(0x00, 0xd0, 0x07))).toEqual({ device: 'scale', kg: 10 });
      const pounds = readWeightMeasurement(bytes(0x01, 0xe8, 0x03));
      expect(pounds?.device === 'scale' && pounds.kg).toBeCloseTo(4.536, 3);
    });
    it('reads a temperature with its decimal exponent, in either unit', () => {
      const at = (...all: number[]): number | undefined => {
        const r = readTemperatureMeasurement(bytes(...all));
        return r?.device === 'thermometer' ? r.celsius : undefined;
      };
      // 385 × 10^-1 °C, -5 × 10^0 °C, 986 × 10^-1 °F.
      expect(at(0x00, 0x81, 0x01, 0x00, 0xff)).toBeCloseTo(38.5, 9);
      expect(at(0x00, 0xfb, 0xff, 0xff, 0x00)).toBeCloseTo(-5, 9);
      expect(at(0x01, 0xda, 0x03, 0x00, 0xff)).toBeCloseTo(37, 9);
    });
    it('takes what could not be measured, or was cut off, for nothing', () => {
      expect(readWeightMeasurement(bytes(0x00, 0xff, 0xff))).toBeUndefined();
      expect(readWeightMeasurement(bytes(0x00, 0xff))).toBeUndefined();
      expect(readTemperatureMeasurement(bytes(0x00, 0xff, 0xff, 0x7f, 0x00))).toBeUndefined();
      expect(readTemperatureMeasurement(bytes(0x00, 0x81))).toBeUndefined();
    });
  });
});
