import { randomUUID } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import type { SignedIn } from '../../e2e/signIn';
import type { CallDetail } from '../../contract/call';
import { API_MARK, MARK_HEADER, STORED_HEADER } from '../../contract/headers';

/** An entry that waits on a made-up phone. */
interface Waiting {
  id: string;
  entry: object;
}

/**
 * A made-up phone of a technician: it opens a call, enters readings, and sends what waits until the
 * server says that it has it, one by one or together, as the real outbox does.
 */
export class Phone {
  /** Ids in the order they were entered, call by call; what the server has confirmed. */
  readonly entered = new Map<string, string[]>();
  readonly confirmed = new Set<string>();
  private call = '';
  private readonly waiting: Waiting[] = [];
  private ended = false;

  /** @param heard hears of every time that the server confirms something */
  constructor(
    private readonly address: string,
    private readonly as: SignedIn,
    private readonly chance: () => number,
    private readonly heard: () => void = () => undefined,
  ) {}

  /** Works until it is ended, then sends what still waits. */
  async work(): Promise<void> {
    while (!this.ended || this.waiting.length) {
      if (!this.ended) {
        if (this.call === '' || this.chance() < 0.03) await this.openCall();
        for (let more = Math.ceil(this.chance() * 4); more > 0; more--) this.enter();
      }
      await this.send();
      await sleep(20 + 60 * this.chance());
    }
  }

  end(): void {
    this.ended = true;
  }

  /** What the server has of this phone that is not as it was entered: lost, twice, or out of order. */
  async faults(): Promise<string[]> {
    const faults: string[] = [];
    for (const [call, ids] of this.entered) {
      const confirmed = ids.filter((id) => this.confirmed.has(id));
      const answer = await fetch(`${this.address}/api/calls/${call}`, { headers: this.headers() });
      if (!answer.ok) {
        if (confirmed.length) faults.push(`call ${call} answers ${answer.status}`);
        continue;
      }
      const { entries } = (await answer.json()) as CallDetail;
      const stored = entries.map((each) => each.id);
      if (new Set(stored).size !== stored.length) faults.push(`call ${call} has an entry twice`);
      for (const id of confirmed) if (!stored.includes(id)) faults.push(`entry ${id} is lost`);
      const inOrder = ids.filter((id) => stored.includes(id));
      if (inOrder.join() !== stored.join()) faults.push(`call ${call} is out of order`);
    }
    return faults;
  }

  private async openCall(): Promise<void> {
    const id = randomUUID();
    const body = {
      appliance: { id: randomUUID(), make: 'Marrowby', model: 'W-44', place: 'Soak' },
      diagramId: 'top-load-washer',
      diagramVersion: 1,
      complaint: 'does not spin',
      phoneAt: new Date().toISOString(),
    };
    // A call is there before anything is entered for it.
    while (!(await this.put(`calls/${id}`, id, body))) await sleep(200 + 300 * this.chance());
    this.call = id;
    this.entered.set(id, []);
  }

  private enter(): void {
    const id = randomUUID();
    this.entered.get(this.call)?.push(id);
    this.waiting.push({
      id,
      entry: {
        callId: this.call,
        kind: 'look',
        phoneAt: new Date().toISOString(),
        body: { look: 'click', found: this.chance() < 0.5 },
      },
    });
  }

  private async send(): Promise<void> {
    const [first, ...rest] = this.waiting;
    if (!first) return;
    const together = rest.length > 0 && this.chance() < 0.7;
    const stored = together
      ? await this.post([first, ...rest].slice(0, 50))
      : (await this.put(`entries/${first.id}`, first.id, first.entry))
        ? 1
        : 0;
    for (const { id } of this.waiting.splice(0, stored)) this.confirmed.add(id);
    if (stored > 0) this.heard();
    else await sleep(100 + 400 * this.chance());
  }

  private async put(path: string, id: string, body: object): Promise<boolean> {
    const answer = await this.ask(path, 'PUT', body);
    if (answer && answer.status >= 400 && answer.status < 500 && answer.status !== 429)
      throw new Error(`${answer.status} to ${path}: ${await answer.text()}`);
    await answer?.arrayBuffer().catch(() => undefined);
    return answer?.ok === true && answer.headers.get(STORED_HEADER) === id;
  }

  private async post(entries: readonly Waiting[]): Promise<number> {
    const answer = await this.ask('entries', 'POST', { entries });
    if (!answer?.ok) return 0;
    const said = (await answer.json().catch(() => ({}))) as {
      results?: { id: string; status: number }[];
    };
    const results = said.results ?? [];
    if (results.some(({ status }) => status !== 204))
      throw new Error(`refused: ${JSON.stringify(results)}`);
    return entries.every(({ id }, i) => results[i]?.id === id) ? entries.length : 0;
  }

  private async ask(path: string, method: string, body: object): Promise<Response | undefined> {
    try {
      const answer = await fetch(`${this.address}/api/${path}`, {
        method,
        headers: { ...this.headers(), 'content-type': 'application/json' },
        body: JSON.stringify(body),
        signal: AbortSignal.timeout(8000),
      });
      return answer.headers.get(MARK_HEADER) === API_MARK ? answer : undefined;
    } catch {
      return undefined; // no server just now
    }
  }

  private headers(): Record<string, string> {
    return { ...this.as, 'x-phone-at': new Date().toISOString() };
  }
}
