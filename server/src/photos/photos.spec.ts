import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { DOG_FILE, type DogFile } from '@mansuet/core/contract';
import { Browser, addDog, secondSalon, specServer, type SpecServer } from '../testing/spec-salon.js';

/** A picture with everything that a phone writes into one: place, device, and the note that it lies on its side. */
const fromPhone = (): Promise<Buffer> =>
  sharp({ create: { width: 60, height: 20, channels: 3, background: '#b08a60' } })
    .jpeg()
    .withExif({ IFD0: { Make: 'Secretphone' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '48/1 12/1 0/1' } })
    .withMetadata({ orientation: 6 })
    .toBuffer();

describe('photographs', () => {
  let server: SpecServer;
  let browser: Browser;
  let dogId: string;
  const upload = async (
    by: Browser,
    picture: Buffer,
    fields: Record<string, string> = { kind: 'mark' },
  ): Promise<{ status: number; text: string }> => {
    const form = new FormData();
    for (const [key, value] of Object.entries(fields)) form.append(key, value);
    form.append('picture', new Blob([new Uint8Array(picture)]), 'from-phone.jpg');
    const reply = await fetch(`${server.url}/api/dogs/${dogId}/photos`, {
      method: 'POST',
      headers: { cookie: by.cookie, 'x-csrf-token': by.csrf },
      body: form,
    });
    return { status: reply.status, text: await reply.text() };
  };
  const get = async (id: string, size = ''): Promise<Buffer> => {
    const reply = await fetch(`${server.url}/api/photos/${id}${size}`, { headers: { cookie: browser.cookie } });
    expect([reply.status, reply.headers.get('content-type')]).toEqual([200, 'image/webp']);
    return Buffer.from(await reply.arrayBuffer());
  };
  const file = async (): Promise<DogFile> => DOG_FILE.parse((await browser.send('GET', `/api/dogs/${dogId}`)).json);

  beforeAll(async () => {
    server = await specServer();
    browser = new Browser(server.url);
    await browser.foundSalon();
    dogId = await addDog(browser);
  });
  afterAll(() => server.close());

  it('are drawn anew: turned upright, without place and device', async () => {
    const raw = await fromPhone();
    expect(raw.includes('Secretphone')).toBeTrue();
    const reply = await upload(browser, raw, { kind: 'mark', zone: 'side_left' });
    expect(reply.status).toBe(201);
    const { photos } = await file();
    expect(photos[0]).toEqual(jasmine.objectContaining({ kind: 'mark', zone: 'side_left', width: 20, height: 60 }));
    const kept = await get(photos[0]!.photoId);
    const meta = await sharp(kept).metadata();
    expect([meta.format, meta.exif, meta.orientation, meta.width, meta.height]).toEqual(['webp', undefined, undefined, 20, 60]);
    expect(kept.includes('Secretphone')).toBeFalse();
  });

  it('are kept once, however often a device sends one; the id of another dog’s is not taken', async () => {
    const photoId = randomUUID();
    const before = (await file()).photos.length;
    for (let i = 0; i < 2; i++) {
      const reply = await upload(browser, await fromPhone(), { kind: 'other', photoId });
      expect([reply.status, reply.text.includes(photoId)]).toEqual([201, true]);
    }
    expect((await file()).photos.length).toBe(before + 1);
    const own = dogId;
    dogId = await addDog(browser);
    expect((await upload(browser, await fromPhone(), { kind: 'other', photoId })).status).toBe(404);
    dogId = own;
  });

  it('are made smaller: 1800 pixels at most, 320 in lists', async () => {
    const large = await sharp({ create: { width: 4000, height: 3000, channels: 3, background: '#777' } })
      .png()
      .toBuffer();
    expect((await upload(browser, large, { kind: 'after' })).status).toBe(201);
    const id = (await file()).photos.find((p) => p.kind === 'after')!.photoId;
    expect((await sharp(await get(id)).metadata()).width).toBe(1800);
    expect((await sharp(await get(id, '?size=small')).metadata()).width).toBe(320);
  });

  it('are refused in words when they are too large, broken, or no picture', async () => {
    const whole = await fromPhone();
    const broken = await upload(browser, whole.subarray(0, Math.floor(whole.length / 2)));
    expect([broken.status, broken.text.includes('not a whole JPEG, PNG or WebP')]).toEqual([422, true]);
    const text = await upload(browser, Buffer.from('not a picture at all'));
    expect([text.status, text.text.includes('not a whole JPEG')]).toEqual([422, true]);
    const svg = await upload(browser, Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="5" height="5"/>'));
    expect([svg.status, svg.text.includes('send a JPEG, PNG or WebP')]).toEqual([422, true]);
    const huge = await upload(browser, Buffer.alloc(10 * 1024 * 1024 + 1, 1));
    expect([huge.status, huge.text.includes('At most 10 MB')]).toEqual([413, true]);
    expect((await upload(browser, whole, { kind: 'holiday' })).text).toContain('"kind"');
  });

  it('refuse a bomb: few bytes that unpack to very many pixels', async () => {
    const bomb = await sharp({ create: { width: 12_000, height: 9000, channels: 3, background: '#000' }, limitInputPixels: false })
      .png({ compressionLevel: 9 })
      .toBuffer();
    expect(bomb.length).toBeLessThan(1_000_000);
    const reply = await upload(browser, bomb);
    expect([reply.status, reply.text.includes('more than 60 million pixels')]).toEqual([422, true]);
  });

  it('are for who is signed in to this salon, and can be deleted for good', async () => {
    const id = (await file()).photos[0]!.photoId;
    expect((await new Browser(server.url).send('GET', `/api/photos/${id}`)).status).toBe(401);
    expect((await upload(new Browser(server.url), await fromPhone())).status).toBe(401);
    await secondSalon(server);
    const other = new Browser(server.url);
    await other.signIn('other', 'ten letters and more');
    expect((await other.send('GET', `/api/photos/${id}`)).status).toBe(404);
    expect((await upload(other, await fromPhone())).status).toBe(404);
    expect((await browser.send('DELETE', `/api/photos/${id}`)).status).toBe(204);
    expect((await browser.send('GET', `/api/photos/${id}`)).status).toBe(404);
  });
});
