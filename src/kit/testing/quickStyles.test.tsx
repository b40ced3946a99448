import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { render } from '@testing-library/react';
import { expect, it } from 'vitest';
import { plainStyles, quickStyles } from './quickStyles';

const quick = quickStyles(plainStyles());
const plain = plainStyles();
const ASKED = ['display', 'visibility', 'pointer-events', 'color'];
const everywhere = (ask: typeof quick) =>
  [...document.querySelectorAll('body, body *')].map((el) =>
    [el.localName, el.className.toString(), ...ASKED.map((name) => ask(el).getPropertyValue(name))].join('|'),
  );

it('says the same of every element as the window itself, also of what comes later, is hidden and is taken away', () => {
  const { rerender } = render(
    <section hidden>
      <Button disabled>Off</Button>
    </section>,
  );
  expect(everywhere(quick)).toEqual(everywhere(plain));
  rerender(
    <>
      <style>
        {'.gone, b:is(.a, .b) { display: none } em:hover { color: red } .row > .cell { visibility: hidden }'}
      </style>
      <TextField label="Name" multiline select={false} />
      <p className="gone">gone</p>
      <b className="a">both</b>
      <div className="row">
        <span className="cell" style={{ display: 'flex' }}>
          <i>inherits it</i>
          <input type="hidden" />
        </span>
      </div>
      <Dialog open>
        <TextField select label="Which" value="1">
          <MenuItem value="1">One</MenuItem>
        </TextField>
      </Dialog>
    </>,
  );
  const sheet = document.createElement('style');
  sheet.textContent =
    '.gone, b:is(.a, .b) { display: none } i:hover { display: none } .row > .cell { visibility: hidden }';
  document.head.append(sheet);
  const all = everywhere(quick);
  expect(all).toEqual(everywhere(plain));
  expect(all.filter((line) => /\|none\||\|hidden\|/.test(line)).length).toBeGreaterThan(4);
  sheet.remove();
  expect(everywhere(quick)).toEqual(everywhere(plain));
});
