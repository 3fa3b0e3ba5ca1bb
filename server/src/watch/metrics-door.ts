import { createServer, type Server } from 'node:http';
import type { Registry } from 'prom-client';

/** `GET /metrics` on a port of its own, on loopback: whoever scrapes runs on this machine, and nobody else reads how the salon works. */
export function metricsDoor(registry: Registry): Server {
  return createServer((request, response) => {
    if (request.method !== 'GET' || request.url !== '/metrics') {
      response.writeHead(404).end();
      return;
    }
    registry.metrics().then(
      (text) => response.writeHead(200, { 'content-type': registry.contentType }).end(text),
      () => response.writeHead(500).end(),
    );
  });
}
