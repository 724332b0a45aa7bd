import { describe, expect, it } from '@jest/globals';
import fs from 'node:fs';
import path from 'node:path';
import { finalHashes } from './finalHashes.ts';

const pinned = JSON.parse(fs.readFileSync(path.join(import.meta.dirname, 'hashes.json'), 'utf8')) as number[];

describe('attempts over the demo', () => {
  it('end in the very states that they ended in before', () => {
    // A rule of play that is changed on purpose changes these: then write them again and raise ENGINE.
    expect(pinned).toHaveLength(200);
    expect(finalHashes(pinned.length)).toEqual(pinned);
  });
});
