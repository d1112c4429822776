import { collectDefaultMetrics, Histogram, openMetricsContentType, Registry } from 'prom-client';
import type { RequestLine } from './logs';

/** How the server fares, in the OpenMetrics format: by route and status, never by person. */
const registry = new Registry<typeof openMetricsContentType>();
registry.setContentType(openMetricsContentType);
const duration = new Histogram<'method' | 'route' | 'status'>({
  name: 'fukusa_request_seconds',
  help: 'Time from a request to its answer',
  labelNames: ['method', 'route', 'status'],
  buckets: [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10],
  registers: [registry],
});
collectDefaultMetrics({ register: registry });

export const METRICS_TYPE = openMetricsContentType;

export function countRequest({ method, route, status, ms }: RequestLine): void {
  duration.observe({ method, route, status: String(status) }, ms / 1000);
}

export function renderMetrics(): Promise<string> {
  return registry.metrics();
}
