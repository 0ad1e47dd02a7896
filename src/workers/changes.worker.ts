/** One line to the server for all pages of this browser: it tells each of them what is changed, as it happens. */
const ports = new Set<MessagePort>();
const tell = (message: unknown) => ports.forEach((port) => port.postMessage(message));

function listen(): void {
  const source = new EventSource('/api/changes');
  let broke = false;
  source.onmessage = ({ data }: MessageEvent<string>) => tell(JSON.parse(data));
  // What happened while the line was down was not told.
  source.onopen = () => {
    if (broke) tell(null);
    broke = false;
  };
  source.onerror = () => {
    broke = true;
    // A line that was refused is not tried again by itself.
    if (source.readyState !== EventSource.CLOSED) return;
    setTimeout(listen, 5000);
    tell(null);
  };
}

self.addEventListener('connect', (event) => {
  const [port] = (event as MessageEvent).ports;
  if (!port) return;
  if (ports.size === 0) listen();
  ports.add(port);
});

export {};
