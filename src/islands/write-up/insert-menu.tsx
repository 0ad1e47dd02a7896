/** The list that opens on “/”: what the study has to put in, found by typing. */
import { type Editor, Extension } from '@tiptap/core';
import Suggestion, { type SuggestionProps } from '@tiptap/suggestion';
import { useEffect, useRef } from 'react';
import type { Insertable } from './insertables';
import { putIn } from './nodes';

/** Most that are listed at once. */
const most = 40;

export interface MenuState {
  items: Insertable[];
  at: number;
  left: number;
  top: number;
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
                left: box.left,
                top: box.bottom,
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

export function InsertMenu({ menu }: { menu: MenuState }) {
  const list = useRef<HTMLUListElement>(null);
  useEffect(() => {
    list.current?.children[menu.at]?.scrollIntoView({ block: 'nearest' });
  }, [menu.at]);
  const below = window.innerHeight - menu.top > 260;
  return (
    <ul
      ref={list}
      role="listbox"
      aria-label="Put in from the study"
      className="not-print fixed z-20 max-h-60 w-80 overflow-y-auto border border-line bg-base-100 py-1 text-sm"
      style={{ left: Math.min(menu.left, window.innerWidth - 340), top: below ? menu.top + 4 : menu.top - 268 }}
    >
      {menu.items.map((item, i) => (
        <li
          key={i}
          role="option"
          aria-selected={i === menu.at}
          className={`cursor-pointer px-3 py-1 ${i === menu.at ? 'bg-base-200 text-primary' : ''}`}
          onMouseDown={(e) => {
            e.preventDefault();
            menu.choose(item);
          }}
        >
          {item.what} <span className="text-muted">of {item.of}</span>
        </li>
      ))}
    </ul>
  );
}
