import { Observable } from 'rxjs';

/** What the page needs of the browser's serial port; few browsers have one, and only for those who allow it. */
interface SerialPort {
  readonly readable: ReadableStream<Uint8Array> | null;
  open(options: { readonly baudRate: number }): Promise<void>;
  close(): Promise<void>;
}

interface WithSerial {
  readonly serial?: { requestPort(): Promise<SerialPort> };
}

/** Whether this browser can read a serial port at all. */
export const hasSerial = (): boolean => (navigator as WithSerial).serial !== undefined;

/** Instruments of the workshop speak at this speed unless their makers say otherwise. */
const BAUD = 9600;

/** The text that comes down a port the person chooses, in pieces; the port is closed on unsubscribing. */
export function serialText(): Observable<string> {
  return new Observable((listener) => {
    let port: SerialPort | undefined;
    let reader: ReadableStreamDefaultReader<Uint8Array> | undefined;
    const read = async (): Promise<void> => {
      port = await (navigator as WithSerial).serial?.requestPort();
      await port?.open({ baudRate: BAUD });
      reader = port?.readable?.getReader();
      const decoder = new TextDecoder();
      for (;;) {
        const { value, done } = (await reader?.read()) ?? { done: true };
        if (done) break;
        listener.next(decoder.decode(value, { stream: true }));
      }
      listener.complete();
    };
    read().catch((reason: unknown) => listener.error(reason));
    return () => {
      void (async () => {
        await reader?.cancel().catch(() => undefined);
        reader?.releaseLock();
        await port?.close().catch(() => undefined);
      })();
    };
  });
}
