/** What was done, told in passing above the page, so that nothing on it moves. */
import { Toast } from '@base-ui/react/toast';
import { X } from 'lucide-react';
import { flushSync } from 'react-dom';
import { createRoot } from 'react-dom/client';

/** What is told, and what can be done about it. */
export interface Told {
  text: string;
  actions?: { label: string; run: () => void }[];
  /** Whether it stands until it is read: something could not be done, or more must be known. */
  stays?: boolean;
}

/** How long what needs no answer stands, in ms. */
const passing = 5000;

const manager = Toast.createToastManager<Told>();
/** All that is told stands in one place, and the newest in the place of the one before. */
const place = 'told';

function Notices() {
  const { toasts } = Toast.useToastManager<Told>();
  return toasts.map((toast) => (
    <Toast.Root key={toast.id} toast={toast} swipeDirection={[]} className="notice">
      <Toast.Content className="relative flex flex-wrap items-start gap-x-3 gap-y-1 pr-6">
        {/* Several things that can be done stand below a long text rather than beside it. */}
        <Toast.Description className="flex-[1_1_20rem]" />
        <span className="flex flex-wrap gap-x-3">
          {toast.data?.actions?.map(({ label, run }) => (
            <button
              key={label}
              type="button"
              className="plain-button font-semibold"
              onClick={() => {
                untell();
                run();
              }}
            >
              {label}
            </button>
          ))}
        </span>
        <Toast.Close className="plain-button absolute top-0 right-0" aria-label="Dismiss">
          <X size={14} aria-hidden />
        </Toast.Close>
      </Toast.Content>
    </Toast.Root>
  ));
}

let stands = false;

/** Puts the place of notices into the page when the first is told. */
function stand(): void {
  if (stands) return;
  stands = true;
  const root = createRoot(document.body.appendChild(document.createElement('div')));
  // At once, for what is told before the place listens is lost.
  flushSync(() =>
    root.render(
      <Toast.Provider toastManager={manager} limit={1}>
        <Toast.Viewport className="not-print fixed bottom-5 left-1/2 z-50 w-[min(36rem,calc(100vw-2rem))] -translate-x-1/2">
          <Notices />
        </Toast.Viewport>
      </Toast.Provider>,
    ),
  );
}

export function tell(told: Told): void {
  stand();
  manager.add({
    id: place,
    description: told.text,
    data: told,
    timeout: told.stays || told.actions ? 0 : passing,
  });
}

/** Takes away what was told, when it no longer holds. */
export function untell(): void {
  if (stands) manager.close(place);
}
