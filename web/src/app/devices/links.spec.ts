import { type Bluetooth, joinBluetooth } from './bluetooth-link';
import type { Joined } from './device-link';
import type { Reading } from './reading';
import { joinSerial, type Serial } from './serial-link';
import { SimulatedLink } from './simulated-link';

/** What a device sends, until it is gone. */
async function readings(joined: Joined, act: () => void = () => undefined): Promise<Reading[]> {
  if (!joined.ok) throw new Error(joined.why);
  const out: Reading[] = [];
  const gone = new Promise<void>((done) => joined.link.listen((r) => out.push(r), done));
  act();
  await gone;
  return out;
}
const portOf = (...chunks: string[]): Serial => ({
  requestPort: () =>
    Promise.resolve({
      readable: new ReadableStream<Uint8Array>({
        start: (out) => {
          for (const c of chunks) out.enqueue(new TextEncoder().encode(c));
          out.close();
        },
      }),
      open: () => Promise.resolve(),
      close: () => Promise.resolve(),
    }),
});

describe('devices that are joined', () => {
  it('by cable: lines are put together from what comes in pieces, and what is no measure is let go', async () => {
    const joined = await joinSerial(portOf('ST,GS, 12.', '3 kg\r\nhel', 'lo\n8.4 mm\n', '38 C'));
    expect(await readings(joined)).toEqual([
      { device: 'scale', kg: 12.3 },
      { device: 'caliper', mm: 8.4 },
    ]);
  });

  it('by radio: a scale is found by its service, and tells each weight until it is gone', async () => {
    const characteristic = Object.assign(new EventTarget(), {
      value: new DataView(Uint8Array.from([0, 0xd0, 0x07]).buffer),
      startNotifications: () => Promise.resolve(),
    });
    const device = Object.assign(new EventTarget(), {
      name: 'Scale 7',
      gatt: {
        connect: () =>
          Promise.resolve({
            getPrimaryService: (id: number) =>
              id === 0x181d
                ? Promise.resolve({ getCharacteristic: () => Promise.resolve(characteristic) })
                : Promise.reject(new Error('none')),
          }),
        disconnect: () => undefined,
      },
    });
    const bluetooth: Bluetooth = { requestDevice: () => Promise.resolve(device) };
    const joined = await joinBluetooth(bluetooth);
    expect(joined.ok && joined.link.name).toBe('Scale 7');
    const all = await readings(joined, () => {
      characteristic.dispatchEvent(new Event('characteristicvaluechanged'));
      device.dispatchEvent(new Event('gattserverdisconnected'));
    });
    expect(all).toEqual([{ device: 'scale', kg: 10 }]);
  });

  it('say why they were not: nobody chose one, or it did not answer', async () => {
    const chosen = (error: unknown): Serial => ({ requestPort: () => Promise.reject(error) });
    expect(await joinSerial(chosen(new DOMException('', 'NotFoundError')))).toEqual({ ok: false, why: 'none_chosen' });
    expect(await joinSerial(chosen(new Error('busy')))).toEqual({ ok: false, why: 'failed' });
  });

  it('simulated, speak as those on a cable do', async () => {
    const link = new SimulatedLink();
    const out: Reading[] = [];
    link.listen((r) => out.push(r));
    link.send('38.5 C');
    await link.close();
    link.send('9 kg');
    expect(out).toEqual([{ device: 'thermometer', celsius: 38.5 }]);
  });
});
