import { hearChanges, PAGE } from './changes';

/** A line of server-sent events that a test speaks on. */
class Line {
  static readonly CONNECTING = 0;
  static readonly OPEN = 1;
  static readonly CLOSED = 2;
  static all: Line[] = [];
  readyState = Line.CONNECTING;
  onopen?: () => void;
  onmessage?: (said: { data: string }) => void;
  onerror?: () => void;

  constructor(readonly url: string) {
    Line.all.push(this);
  }

  close(): void {
    this.readyState = Line.CLOSED;
  }

  opens(): void {
    this.readyState = Line.OPEN;
    this.onopen?.();
  }

  /** @param forGood answered with no, after which a browser does not try again by itself */
  breaks(forGood: boolean): void {
    this.readyState = forGood ? Line.CLOSED : Line.CONNECTING;
    this.onerror?.();
  }
}

let visible: DocumentVisibilityState = 'visible';
const shows = (state: DocumentVisibilityState): void => {
  visible = state;
  document.dispatchEvent(new Event('visibilitychange'));
};
const heard: string[] = [];
let end: () => void;
const listen = (): void => {
  end = hearChanges(
    'kim',
    ({ call }) => heard.push(call || 'everything'),
    () => heard.push('begins'),
  );
};
const last = (): Line => {
  const line = Line.all.at(-1);
  if (!line) throw new Error('nobody listens');
  return line;
};

beforeEach(() => {
  jest.useFakeTimers();
  Object.assign(globalThis, { EventSource: Line });
  Object.defineProperty(document, 'visibilityState', { configurable: true, get: () => visible });
  visible = 'visible';
  Line.all = [];
  heard.length = 0;
});
afterEach(() => {
  end();
  jest.useRealTimers();
});

describe('what others change', () => {
  it('is heard by call, on a line that says who listens and on which page', () => {
    listen();
    const url = new URL(last().url, 'http://yarrix.example');
    expect([url.pathname, url.searchParams.get('for'), url.searchParams.get('page')]).toEqual([
      '/api/changes',
      'kim',
      PAGE,
    ]);
    // What is in sight was asked for before anybody listened.
    last().opens();
    last().onmessage?.({ data: '{"call":"c1"}' });
    expect(heard).toEqual(['begins', 'c1']);
  });

  it('is looked for again after a line that broke: nobody knows what was said meanwhile', () => {
    listen();
    last().opens();
    last().breaks(false);
    expect(heard).toEqual(['begins']);
    last().opens();
    expect(heard).toEqual(['begins', 'everything']);
    expect(Line.all).toHaveLength(1);
  });

  it('is looked for every half minute where no line comes through, and on a new one when it does', () => {
    listen();
    last().breaks(true);
    jest.advanceTimersByTime(30_000);
    expect(heard).toEqual(['everything']);
    expect(Line.all).toHaveLength(2);
    last().opens();
    expect(heard).toEqual(['everything', 'everything']);
    // Who listens does not look.
    jest.advanceTimersByTime(120_000);
    expect(heard).toHaveLength(2);
  });

  it('takes no line while the page is out of sight, and looks when it comes back', () => {
    visible = 'hidden';
    listen();
    expect(Line.all).toHaveLength(0);
    jest.advanceTimersByTime(90_000);
    expect(heard).toEqual([]);
    shows('visible');
    expect(heard).toEqual(['everything']);
    last().opens();
    const before = last();
    shows('hidden');
    expect(before.readyState).toBe(Line.CLOSED);
    shows('visible');
    expect(Line.all).toHaveLength(2);
  });

  it('is not heard any more once it is ended', () => {
    listen();
    last().opens();
    end();
    expect(last().readyState).toBe(Line.CLOSED);
    shows('visible');
    jest.advanceTimersByTime(60_000);
    expect(heard).toEqual(['begins']);
    expect(Line.all).toHaveLength(1);
  });
});
