import { createServer, type Server } from 'node:http';
import { createDoor } from './door.js';

/** Self-signed, made with OpenSSL for this spec; its key was not kept. */
const AUTHORITY = `-----BEGIN CERTIFICATE-----
MIIBjjCCATWgAwIBAgIUc6hTnP+tvfuTxp+sXZHzmbXOCnIwCgYIKoZIzj0EAwIw
HDEaMBgGA1UEAwwRTWFuc3VldCBvZiBhIHNwZWMwIBcNMjYxMTMwMjIwOTAzWhgP
MjEyNjExMDYyMjA5MDNaMBwxGjAYBgNVBAMMEU1hbnN1ZXQgb2YgYSBzcGVjMFkw
EwYHKoZIzj0CAQYIKoZIzj0DAQcDQgAEiEuTQugjcSaZf4Ga1sJ+APksetGaZr4J
3IVlqW61ChskQjWxPnYm0uz8rgciIObqK/159QvnlQ5+AheIRgqeWKNTMFEwHQYD
VR0OBBYEFBhZ9TjXFsUFYFSz24yP+lns8/BvMB8GA1UdIwQYMBaAFBhZ9TjXFsUF
YFSz24yP+lns8/BvMA8GA1UdEwEB/wQFMAMBAf8wCgYIKoZIzj0EAwIDRwAwRAIg
cU6n6a0mMyBAoOhoO1TVk8LUIYkKnHFNL35ndHKmH0ACIApqJ4wVVydXc1IHRtn9
6IzGWShSNrgp3Bo2K8QVYn2j
-----END CERTIFICATE-----
`;

describe('the door for tablets that are new', () => {
  const servers: Server[] = [];
  const open = async (authority: string | undefined): Promise<string> => {
    const server = createServer(createDoor({ publicUrl: 'https://salon.test:4310', authority }));
    servers.push(server);
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
    const address = server.address();
    return `http://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}`;
  };
  afterEach(() => Promise.all(servers.splice(0).map((s) => new Promise((done) => s.close(done)))));

  it('hands out the authority, and its fingerprint to compare', async () => {
    const door = await open(AUTHORITY);
    const page = await (await fetch(`${door}/`)).text();
    expect(page).toContain('DC:D9:A4:BA:3A:12:C2:8F:5B:81:17:97:6C:D8:8E:2D:34:50:42:F8:C9:EE:C8:5E:70:A7:47:EB:7B:BD:E4:40');
    expect(page).toContain('https://salon.test:4310/');
    const cert = await fetch(`${door}/mansuet-authority.crt`);
    expect(cert.headers.get('content-type')).toContain('application/x-x509-ca-cert');
    expect(await cert.text()).toBe(AUTHORITY);
  });

  it('sends everything else on to HTTPS here, and never anywhere else', async () => {
    const to = async (door: string, path: string) => (await fetch(door + path, { redirect: 'manual' })).headers.get('location');
    const door = await open(AUTHORITY);
    expect(await to(door, '/o/abc')).toBe('https://salon.test:4310/o/abc');
    expect(await to(door, '//elsewhere.test/x')).toBe('https://salon.test:4310/');
    expect(await to(await open(undefined), '/')).toBe('https://salon.test:4310/');
  });
});
