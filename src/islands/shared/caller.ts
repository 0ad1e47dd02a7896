import { type Remote, releaseProxy, wrap } from 'comlink';

/** A worker whose functions are called as if they were here. */
export interface Caller<T> {
  calls: Remote<T>;
  /** Ends whatever it is at; what was asked of it is never answered. */
  end: () => void;
}

/**
 * @param worker made where it is wanted, so that the bundler finds its file
 * @param onFault told once if its script fails, or cannot be loaded
 */
export function callerOf<T>(worker: Worker, onFault?: () => void): Caller<T> {
  const calls = wrap<T>(worker);
  if (onFault) worker.addEventListener('error', onFault, { once: true });
  return {
    calls,
    end: () => {
      calls[releaseProxy]();
      worker.terminate();
    },
  };
}
