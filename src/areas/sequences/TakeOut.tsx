import Button from '@mui/material/Button';
import { storedSequence } from '../../contracts/stored/sequence';
import type { Sequence } from '../../core';
import { download, fileName, staveFile, stavePicture } from '../../kit/drawing/exportDrawing';
import { scoreOf, type Drawing } from './score';

/** A sequence as a picture, as text, and as a file of ours. */
export function TakeOut({
  name,
  text,
  drawing,
  sequence,
}: {
  name: string;
  text: string;
  drawing: Drawing;
  sequence: Sequence;
}) {
  const file = fileName(name);
  const layout = () => scoreOf(text, drawing).layout;
  return (
    <>
      <Button onClick={() => void staveFile(layout(), name).then((f) => download(`${file}.svg`, f, 'image/svg+xml'))}>
        Stave as SVG
      </Button>
      <Button onClick={() => void stavePicture(layout(), name).then((f) => download(`${file}.png`, f))}>
        Stave as PNG
      </Button>
      <Button onClick={() => download(`${file}.txt`, text.startsWith('title:') ? text : `title: ${name}\n${text}`)}>
        Text
      </Button>
      <Button
        onClick={() =>
          download(
            `${file}.json`,
            JSON.stringify(
              { format: 'stavewright-sequences', version: storedSequence.version, sequences: [sequence] },
              null,
              2,
            ),
            'application/json',
          )
        }
      >
        JSON
      </Button>
    </>
  );
}
