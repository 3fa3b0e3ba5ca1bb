import { createHash, X509Certificate } from 'node:crypto';
import express, { type Express } from 'express';
import helmet from 'helmet';

/** The authority's certificate, as text, for tablets to install. */
export interface DoorParts {
  readonly publicUrl: string;
  /** PEM; `undefined` for a certificate that every tablet trusts already. */
  readonly authority: string | undefined;
}

const CERT_PATH = '/mansuet-authority.crt';

/**
 * Plain HTTP beside the real address: a tablet installs the salon's own authority here, once, and everybody else is sent on to HTTPS.
 * It knows nothing of the salon and asks for nothing.
 */
export function createDoor({ publicUrl, authority }: DoorParts): Express {
  const door = express();
  door.disable('x-powered-by');
  door.use(
    helmet({
      contentSecurityPolicy: {
        directives: { 'default-src': ["'none'"], 'style-src': ["'unsafe-inline'"], 'upgrade-insecure-requests': null },
      },
      strictTransportSecurity: false,
    }),
  );
  if (authority !== undefined) {
    const page = doorPage(publicUrl, authority);
    door.get('/', (_request, response) => {
      response.set('cache-control', 'no-store').type('html').send(page);
    });
    door.get(CERT_PATH, (_request, response) => {
      response.set('cache-control', 'no-store').type('application/x-x509-ca-cert').send(authority);
    });
  }
  // What was typed goes on as it was, but never to anywhere else.
  door.use((request, response) => {
    response.redirect(302, `${publicUrl}${/^\/(?!\/)[\w\-./~%]*$/.test(request.path) ? request.path : '/'}`);
  });
  return door;
}

/** SHA-256 of a certificate, in pairs: what two screens are compared by. */
export const fingerprintOf = (pem: string): string =>
  createHash('sha256')
    .update(new X509Certificate(pem).raw)
    .digest('hex')
    .toUpperCase()
    .replace(/(..)(?=.)/g, '$1:');

function doorPage(publicUrl: string, authority: string): string {
  const url = escaped(publicUrl);
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>Trust this salon · Mansuet</title>
<style>
body{font:17px/1.5 system-ui,sans-serif;color:#1c2a31;background:#eef1ef;margin:0;padding:6vmin}
main{max-width:44rem;margin:auto;background:#fff;padding:2rem;border-left:.5rem solid #23424e}
h1{font-size:1.6rem;margin:0 0 .5rem}li{margin:.6rem 0}code{font-size:.85rem;word-break:break-all}
a.go{display:inline-block;padding:.8rem 1.2rem;background:#23424e;color:#fff;text-decoration:none;margin:.4rem 0}
</style></head><body><main>
<h1>Let this tablet trust the salon’s own server</h1>
<p>Without it the browser keeps nothing for when the network is gone. It is done once on each tablet.</p>
<ol>
<li><a class="go" href="${CERT_PATH}">Get the certificate</a><br>Before you install it, compare: its SHA-256 fingerprint must be the one that the start command printed on the salon’s computer.<br><code>${fingerprintOf(authority)}</code></li>
<li><b>iPad:</b> Settings, “Profile downloaded”, Install; then General, About, Certificate Trust Settings: switch it on.<br>
<b>Android:</b> Settings, Security, Encryption and credentials, Install a certificate, CA certificate: choose the file.<br>
<b>Laptop:</b> open the file, put it among the trusted root authorities.</li>
<li><a class="go" href="${url}/">Open Mansuet</a> and add it to the home screen.</li>
</ol>
<p>The certificate was made on the salon’s computer, and its key never leaves that. Remove it from a tablet that leaves the salon.</p>
</main></body></html>`;
}

const escaped = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);
