/** Files as answers. */
import { FILE_TYPES, type FileType } from './route';

export class FileAnswer {
  constructor(
    readonly name: string,
    readonly type: FileType,
    readonly bytes: Uint8Array,
    /** Shown in the browser, or kept as a file. */
    readonly disposition: 'inline' | 'attachment' = 'inline',
  ) {}
}

/** A file that is made while it is sent: it may be long, and others are served while it is. */
export class StreamAnswer {
  constructor(
    readonly name: string,
    readonly type: FileType,
    readonly parts: AsyncIterator<string>,
  ) {}

  /** Returns what is sent, made as fast as it is taken. */
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
/** Returns a short text as a file to keep. */
export const textFile = (name: string, type: FileType, text: string): FileAnswer =>
  new FileAnswer(name, type, TEXT.encode(text), 'attachment');

/** Returns the headers of a file. */
export const fileHeaders = ({
  name,
  type,
  disposition,
}: Pick<FileAnswer, 'name' | 'type' | 'disposition'>): Record<string, string> => ({
  'content-type': FILE_TYPES[type],
  'content-disposition': `${disposition}; filename="${name}"`,
});
