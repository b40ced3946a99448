// npm run schemas: writes the JSON Schemas of our file formats into docs/formats, from the same shapes that read the files.
import { writeFileSync } from 'node:fs';
import prettier from 'prettier';
import { bundleJsonSchema } from '../src/contracts/bundleSchema';
import { sequencesJsonSchema } from '../src/contracts/sequenceSchema';

for (const [file, schema] of [
  ['docs/formats/sequences.schema.json', sequencesJsonSchema()],
  ['docs/formats/school.schema.json', bundleJsonSchema()],
] as const) {
  const options = (await prettier.resolveConfig(file)) ?? {};
  writeFileSync(file, await prettier.format(JSON.stringify(schema), { ...options, filepath: file }));
}
