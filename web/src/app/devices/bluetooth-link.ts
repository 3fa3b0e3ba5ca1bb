import { type DeviceLink, type Joined, noneChosen } from './device-link';
import { type Reading, readTemperatureMeasurement, readWeightMeasurement } from './reading';

/** As much of Web Bluetooth as is used here; the types of browsers do not know it yet. */
interface Characteristic extends EventTarget {
  readonly value?: DataView;
  startNotifications(): Promise<unknown>;
}
interface Service {
  getCharacteristic(id: number): Promise<Characteristic>;
}
interface BluetoothDevice extends EventTarget {
  readonly name?: string;
  readonly gatt?: {
    connect(): Promise<{ getPrimaryService(id: number): Promise<Service> }>;
    disconnect(): void;
  };
}
export interface Bluetooth {
  requestDevice(options: { readonly filters: readonly { readonly services: readonly number[] }[] }): Promise<BluetoothDevice>;
}

/** Services and what they measure by. Bluetooth SIG, assigned numbers; from memory. */
const KINDS = [
  { service: 0x181d, measure: 0x2a9d, read: readWeightMeasurement },
  { service: 0x1809, measure: 0x2a1c, read: readTemperatureMeasurement },
] as const;

const bluetoothOf = (navigator: object): Bluetooth | undefined => {
  const bluetooth: unknown = Reflect.get(navigator, 'bluetooth');
  return isBluetooth(bluetooth) ? bluetooth : undefined;
};
const isBluetooth = (x: unknown): x is Bluetooth =>
  typeof x === 'object' && x !== null && typeof Reflect.get(x, 'requestDevice') === 'function';

/** Joins a scale or a thermometer without a cable: the browser asks which one. */
export async function joinBluetooth(bluetooth = bluetoothOf(navigator)): Promise<Joined> {
  if (!bluetooth) return { ok: false, why: 'no_such_way' };
  try {
    const device = await bluetooth.requestDevice({ filters: KINDS.map((k) => ({ services: [k.service] })) });
    const server = await device.gatt?.connect();
    for (const kind of server ? KINDS : []) {
      const characteristic = await server?.getPrimaryService(kind.service).then(
        (s) => s.getCharacteristic(kind.measure),
        () => undefined,
      );
      if (!characteristic) continue;
      await characteristic.startNotifications();
      return { ok: true, link: linkOf(device, characteristic, kind.read) };
    }
    device.gatt?.disconnect();
    return { ok: false, why: 'failed' };
  } catch (error: unknown) {
    return { ok: false, why: noneChosen(error) ? 'none_chosen' : 'failed' };
  }
}

function linkOf(device: BluetoothDevice, from: Characteristic, readBytes: (bytes: DataView) => Reading | undefined): DeviceLink {
  return {
    name: device.name ?? 'radio',
    listen: (read, ended) => {
      from.addEventListener('characteristicvaluechanged', () => {
        const reading = from.value && readBytes(from.value);
        if (reading) read(reading);
      });
      device.addEventListener('gattserverdisconnected', ended);
    },
    close: () => {
      device.gatt?.disconnect();
      return Promise.resolve();
    },
  };
}
