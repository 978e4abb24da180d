/** Files as answers. */

export class FileAnswer {
  constructor(
    readonly name: string,
    readonly type: string,
    readonly bytes: Uint8Array,
    /** Shown in the browser, or kept as a file. */
    readonly disposition: 'inline' | 'attachment' = 'inline',
  ) {}
}

/** A file that is made while it is sent: it may be long, and others are served meanwhile. */
export class StreamAnswer {
  constructor(
    readonly name: string,
    readonly type: string,
    readonly parts: AsyncIterator<string>,
  ) {}

  /** What is sent, as fast as it is taken. */
  body(): ReadableStream<Uint8Array> {
    const encoder = new TextEncoder();
    const { parts } = this;
    return new ReadableStream<Uint8Array>({
      async pull(controller) {
        const next = await parts.next();
        if (next.done) controller.close();
        else controller.enqueue(encoder.encode(next.value));
      },
      async cancel() {
        await parts.return?.();
      },
    });
  }
}

const TEXT = new TextEncoder();
/** A short text as a file to keep. */
export const textFile = (name: string, type: string, text: string): FileAnswer =>
  new FileAnswer(name, type, TEXT.encode(text), 'attachment');
