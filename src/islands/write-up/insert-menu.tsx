/** The list that opens on “/”: what the study has to put in, found by typing. */
import { type Editor, Extension } from '@tiptap/core';
import Suggestion, { type SuggestionProps } from '@tiptap/suggestion';
import { Popover } from '@base-ui/react/popover';
import { useEffect, useRef } from 'react';
import type { Insertable } from './insertables';
import { putIn } from './nodes';

/** Most that are listed at once. */
const most = 40;

export interface MenuState {
  items: Insertable[];
  at: number;
  /** Where what is typed stands in the window. */
  where: DOMRect;
  choose: (item: Insertable) => void;
}

/**
 * @param find what a query brings in this text
 * @param show told what the list shows, and undefined when it closes
 */
export const insertMenu = (
  find: (query: string, editor: Editor) => Insertable[],
  show: (menu: MenuState | undefined) => void,
) =>
  Extension.create({
    name: 'insertMenu',
    addProseMirrorPlugins() {
      return [
        Suggestion<Insertable, Insertable>({
          editor: this.editor,
          char: '/',
          allowSpaces: true,
          startOfLine: false,
          items: ({ query, editor }) => find(query, editor).slice(0, most),
          command: ({ editor, range, props }) => {
            putIn(editor.chain().focus().deleteRange(range), props.piece).run();
          },
          render: () => {
            let state: MenuState | undefined;
            const put = (next: MenuState | undefined) => {
              state = next;
              show(next);
            };
            const from = (props: SuggestionProps<Insertable>, at: number): MenuState | undefined => {
              const box = props.clientRect?.();
              if (!box || props.items.length === 0) return undefined;
              return {
                items: props.items,
                at: Math.min(at, props.items.length - 1),
                where: box,
                choose: (item) => props.command(item),
              };
            };
            return {
              onStart: (props) => put(from(props, 0)),
              onUpdate: (props) => put(from(props, 0)),
              onKeyDown: ({ event }) => {
                if (!state) return false;
                const { items, at } = state;
                if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
                  const step = event.key === 'ArrowDown' ? 1 : items.length - 1;
                  put({ ...state, at: (at + step) % items.length });
                  return true;
                }
                const item = items[at];
                if ((event.key === 'Enter' || event.key === 'Tab') && item) {
                  state.choose(item);
                  return true;
                }
                if (event.key === 'Escape') {
                  put(undefined);
                  return true;
                }
                return false;
              },
              onExit: () => put(undefined),
            };
          },
        }),
      ];
    },
  });

/** The list stands by what is typed and leaves the focus there. */
export function InsertMenu({ menu }: { menu: MenuState }) {
  const list = useRef<HTMLUListElement>(null);
  useEffect(() => {
    list.current?.children[menu.at]?.scrollIntoView({ block: 'nearest' });
  }, [menu.at]);
  return (
    <Popover.Root open>
      <Popover.Portal>
        <Popover.Positioner
          anchor={{ getBoundingClientRect: () => menu.where }}
          side="bottom"
          align="start"
          sideOffset={4}
          className="not-print z-20"
        >
          <Popover.Popup
            initialFocus={false}
            finalFocus={false}
            className="max-h-60 w-80 overflow-y-auto border border-line bg-base-100 py-1 text-sm outline-none"
          >
            <ul ref={list} role="listbox" aria-label="Put in from the study">
              {menu.items.map((item, i) => (
                <li
                  key={i}
                  role="option"
                  aria-selected={i === menu.at}
                  data-highlighted={i === menu.at || undefined}
                  className="menu-line"
                  onMouseDown={(e) => {
                    e.preventDefault();
                    menu.choose(item);
                  }}
                >
                  <span>
                    {item.what} <span className="text-muted">of {item.of}</span>
                  </span>
                </li>
              ))}
            </ul>
          </Popover.Popup>
        </Popover.Positioner>
      </Popover.Portal>
    </Popover.Root>
  );
}
