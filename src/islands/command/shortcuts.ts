/** Keys, by where they work. */
export const shortcuts: readonly (readonly [string, readonly (readonly [string, string])[]])[] = [
  [
    'Everywhere',
    [
      ['Ctrl+K', 'go anywhere, do anything by its name'],
      ['?', 'this list'],
      ['Tab, Shift+Tab', 'to the next part, to the one before'],
      ['Alt+↑, Alt+↓ in the list', 'move a question among those of its table'],
      ['↑ ↓ in a part', 'another choice'],
      ['Esc', 'close, or let go of what was typed'],
    ],
  ],
  [
    'Readings',
    [
      ['Arrows, Tab, Enter', 'move; with Shift, select'],
      ['Ctrl+arrow', 'to the edge of what is filled'],
      ['F2', 'change the cell'],
      ['↑ from the first row', 'to the column’s name; Tab goes on to the next, Enter back down'],
      ['Delete', 'empty the cells'],
      ['Ctrl+C, Ctrl+X, Ctrl+V', 'copy, cut, paste a block'],
      ['Ctrl+Z, Ctrl+Y', 'undo, redo'],
      ['Ctrl+D', 'fill down'],
      ['Ctrl+F', 'find'],
      ['Alt+←, Alt+→', 'move the column; Alt+↑, Alt+↓ the rows'],
      ['Ctrl+Home, Ctrl+End', 'to the first cell, to the last'],
    ],
  ],
  [
    'Write-up',
    [
      ['/', 'put in from the study'],
      ['Ctrl+B, Ctrl+I', 'bold, italic'],
      ['Ctrl+Z, Ctrl+Shift+Z', 'undo, redo'],
    ],
  ],
];
