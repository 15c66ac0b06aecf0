/** Sends hostile requests to a house and says how it took them. */
import { Agent, request as httpRequest } from 'node:http';
import type { AddressInfo } from 'node:net';
import { v7 } from 'uuid';
import { give, hire, honestWork, registerFlat, type Caller, type House } from './house.ts';
import { hostileRequests, type HostileRequest } from './hostile.ts';

export interface StormReport {
  readonly sent: number;
  /** Answers by their status. */
  readonly byStatus: Readonly<Record<number, number>>;
  /** What was answered as our own mistake, or not at all. */
  readonly broken: readonly { readonly request: HostileRequest; readonly status: number }[];
  readonly slowestMs: number;
  readonly slowest: string;
}

/** A house with something of everything in it, and the ids of all of it. */
export async function furnished(house: House): Promise<{ callers: Caller[]; ids: string[] }> {
  const flat = await registerFlat(house);
  const other = await registerFlat(house, 'airHandler', 'Flat 2B');
  const { caller: staff, id: staffId } = await hire(house);
  const part = flat.points['washer.doorBoot']!;
  const job = await give(house, flat.tenant, flat.tenantId, [part]);
  await flat.tenant.post(`/jobs/${job.id}/submission`, await honestWork(house, flat.tenant, job)).expect(200);
  const faultId = v7();
  await flat.tenant.post('/faults', { id: faultId, machineId: flat.machineId, symptom: 'washer.smell' }).expect(200);
  return {
    callers: [
      house.manager,
      house.manager,
      house.manager,
      house.manager,
      staff,
      flat.tenant,
      flat.tenant,
      house.caller(),
    ],
    ids: [
      ...Object.values(flat.points),
      ...Object.values(other.points),
      flat.propertyId,
      flat.placeId,
      flat.tenancyId,
      flat.tenantId,
      flat.machineId,
      other.placeId,
      other.machineId,
      staffId,
      job.id,
      faultId,
    ],
  };
}

const PATIENCE_MS = 30_000;

/** Sends so many requests, one after another, each by the caller it names. */
export async function storm(house: House, seed: number, count: number): Promise<StormReport> {
  const { callers, ids } = await furnished(house);
  const server = house.app.listen(0, '127.0.0.1');
  await new Promise((done) => server.once('listening', done));
  const { port } = server.address() as AddressInfo;
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  const byStatus: Record<number, number> = {};
  const broken: StormReport['broken'][number][] = [];
  let slowestMs = 0;
  let slowest = '';
  const requests = hostileRequests(seed, ids, callers.length);
  for (let sent = 0; sent < count; sent += 1) {
    const request = requests.next().value as HostileRequest;
    const began = performance.now();
    const status = await send(agent, port, request, callers[request.as]!);
    const took = performance.now() - began;
    byStatus[status] = (byStatus[status] ?? 0) + 1;
    if (status >= 500 || status === 0) broken.push({ request, status });
    if (took > slowestMs) [slowestMs, slowest] = [took, `${request.name} ${status}`];
  }
  agent.destroy();
  await new Promise((done) => server.close(done));
  return { sent: count, byStatus, broken, slowestMs, slowest };
}

function send(agent: Agent, port: number, request: HostileRequest, caller: Caller): Promise<number> {
  const { method, path, body, headers } = request;
  return new Promise((done) => {
    const sent = httpRequest(
      {
        agent,
        port,
        host: '127.0.0.1',
        method,
        path: `/api${path}`,
        timeout: PATIENCE_MS,
        headers: {
          ...headers,
          ...caller.dress(),
          ...(body !== undefined && { 'content-length': Buffer.byteLength(body) }),
        },
      },
      (answer) => {
        answer.resume();
        answer.once('end', () => done(answer.statusCode ?? 0));
      },
    );
    sent.once('timeout', () => sent.destroy());
    sent.once('error', () => done(0));
    sent.end(body);
  });
}
