import { type DeviceLink, type Joined, noneChosen } from './device-link';
import { type Reading, readLine } from './reading';

/** As much of Web Serial as is used here; the types of browsers do not know it yet. */
interface SerialPort {
  readonly readable: ReadableStream<Uint8Array> | null;
  open(options: { readonly baudRate: number }): Promise<void>;
  close(): Promise<void>;
}
export interface Serial {
  requestPort(): Promise<SerialPort>;
}

/** What most scales, calipers and thermometers are set to when they are bought. Common practice, no source. */
const BAUD = 9600;
/** A line that is longer is no measure: what came so far is let go. */
const LONGEST = 200;

const serialOf = (navigator: object): Serial | undefined => {
  const serial: unknown = Reflect.get(navigator, 'serial');
  return isSerial(serial) ? serial : undefined;
};
const isSerial = (x: unknown): x is Serial => typeof x === 'object' && x !== null && typeof Reflect.get(x, 'requestPort') === 'function';

/** Joins a device by cable: the browser asks which one. */
export async function joinSerial(serial = serialOf(navigator)): Promise<Joined> {
  if (!serial) return { ok: false, why: 'no_such_way' };
  try {
    const port = await serial.requestPort();
    await port.open({ baudRate: BAUD });
    return { ok: true, link: new SerialLink(port) };
  } catch (error: unknown) {
    return { ok: false, why: noneChosen(error) ? 'none_chosen' : 'failed' };
  }
}

class SerialLink implements DeviceLink {
  readonly name = 'cable';
  private reader: ReadableStreamDefaultReader<Uint8Array> | undefined;
  constructor(private readonly port: SerialPort) {}

  listen(read: (reading: Reading) => void, ended: () => void): void {
    const reader = this.port.readable?.getReader();
    this.reader = reader;
    if (reader) void this.lines(reader, read).then(ended, ended);
    else ended();
  }
  async close(): Promise<void> {
    await this.reader?.cancel();
    this.reader?.releaseLock();
    await this.port.close();
  }

  private async lines(reader: ReadableStreamDefaultReader<Uint8Array>, read: (reading: Reading) => void): Promise<void> {
    const text = new TextDecoder();
    let rest = '';
    for (;;) {
      const { done, value } = await reader.read();
      if (done) return;
      const lines = (rest + text.decode(value, { stream: true })).split(/[\r\n]+/);
      rest = (lines.pop() ?? '').slice(-LONGEST);
      for (const line of lines) {
        const reading = readLine(line);
        if (reading) read(reading);
      }
    }
  }
}
