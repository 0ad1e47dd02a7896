/** One line to the server for all pages of this browser: it tells each of them what is changed, as it happens. */
const ports = new Set<MessagePort>();
const tell = (message: unknown) => ports.forEach((port) => port.postMessage(message));
let source: EventSource | undefined;

function listen(): void {
  source = new EventSource('/api/changes');
  source.onmessage = ({ data }: MessageEvent<string>) => tell(JSON.parse(data));
  // What happened before the line stood, or while it was down, was not told.
  source.onopen = () => tell(null);
  source.onerror = () => {
    // A line that was refused is not tried again by itself.
    if (source?.readyState === EventSource.CLOSED) setTimeout(listen, 5000);
  };
}

self.addEventListener('connect', (event) => {
  const [port] = (event as MessageEvent).ports;
  if (!port) return;
  ports.add(port);
  if (!source) listen();
  else if (source.readyState === EventSource.OPEN) port.postMessage(null);
});

export {};
