import createClient from 'openapi-fetch';
import { useUnits } from '../units/useUnits';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type CaseResource = Schemas['CaseResource'];
/** A case of which a verdict could be computed. */
export type JudgedCase = CaseResource & { diagnosis: NonNullable<CaseResource['diagnosis']> };
export type CaseSummary = Schemas['CaseSummary'];
export type ChangeRequest = Schemas['ChangeRequest'];
export type Knowledge = Schemas['KnowledgeResponse'];
export type PumpResource = Schemas['PumpResource'];
export type PumpRequest = Schemas['PumpRequest'];
export type Suspect = Schemas['SuspectDto'];
export type NextCheck = Schemas['NextCheckDto'];
export type Quantity = Schemas['QuantityDto'];
export type Figure = Schemas['FigureDto'];
export type JotResponse = Schemas['JotResponse'];

/** A server that says nothing for so long is not there. */
const patience = 20_000;

const once = (request: Request) =>
  globalThis.fetch(request, { signal: AbortSignal.any([request.signal, AbortSignal.timeout(patience)]) });

/** A key that nobody else has; by hand, since a shop's own net has no secure context. */
const newKey = () =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (b) => b.toString(16).padStart(2, '0')).join('');

/** What changes something goes out with a key: where its answer is lost, it is asked for again, and nothing is done twice. */
async function send(request: Request): Promise<Response> {
  if (request.method === 'GET') return once(request);
  request.headers.set('Idempotency-Key', newKey());
  const again = request.clone();
  try {
    return await once(request);
  } catch (error) {
    if (request.signal.aborted) throw error;
    return once(again);
  }
}

export const api = createClient<paths>({ baseUrl: '', fetch: send });

// The server answers in the units of whoever reads.
api.use({
  onRequest: ({ request }) => {
    request.headers.set('X-Units', useUnits().units.value);
    return request;
  },
});

/** A value that can be and hardly is: asked back before it counts. */
export interface Doubt {
  field: string;
  says: string;
  given: Quantity;
  instead: Quantity[];
}

/** A refusal by the server, in words, with the field it is about. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly fields: Record<string, string[]> = {},
    readonly doubts: Doubt[] = [],
  ) {
    super(message);
  }
}

/** Turns an openapi-fetch result into its data, or throws what the server said. */
export function taken<T>(result: { data?: T; error?: unknown; response: Response }): T {
  if (result.response.ok) return result.data as T;
  const problem = (result.error ?? {}) as {
    detail?: string;
    title?: string;
    errors?: Record<string, string[]>;
    doubts?: Doubt[];
  };
  throw new Refusal(
    result.response.status,
    problem.detail ?? problem.title ?? `The server answered ${result.response.status}.`,
    problem.errors,
    problem.doubts,
  );
}

/** Sends a file and returns what the server says of it. A big one over a thin line may take longer than an answer does. */
export async function upload<T>(path: string, body: Blob | FormData, type?: string): Promise<T> {
  const response = await fetch(path, { method: 'POST', headers: type ? { 'Content-Type': type } : {}, body });
  const said: unknown = await response.json().catch(() => undefined);
  return taken<T>({ data: said as T, error: said, response });
}

/** What is wrong, by the field it stands at. */
export const problemsIn = (error: unknown): Record<string, string> =>
  error instanceof Refusal ? Object.fromEntries(Object.entries(error.fields).map(([k, v]) => [k, v.join(' ')])) : {};

/** What went wrong, for the person at the pump. */
export function inWords(error: unknown): string {
  if (error instanceof Refusal) return error.message;
  if (error instanceof DOMException && error.name === 'TimeoutError')
    return 'The server does not answer. What you typed is kept; try again.';
  if (error instanceof TypeError) return 'The server cannot be reached. What you typed is kept; try again.';
  return error instanceof Error ? error.message : String(error);
}
