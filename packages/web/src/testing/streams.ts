import type { LiveEvent } from '@spare-acre/core/io/wire';

/** Streams of server-sent events that pages have open: the test is the server. */
export class FakeStream {
  static opened: FakeStream[] = [];
  onopen: (() => void) | null = null;
  onerror: (() => void) | null = null;
  onmessage: ((event: { data: string; lastEventId: string }) => void) | null = null;
  readyState = 1;

  constructor(readonly url: string) {
    FakeStream.opened.push(this);
  }
  close(): void {
    this.readyState = 2;
  }
  /** Says something to a page, which may be no sound event. */
  tell(event: LiveEvent | string): void {
    this.onmessage?.({ data: typeof event === 'string' ? event : JSON.stringify(event), lastEventId: '' });
  }
}
