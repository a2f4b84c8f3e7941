import { describe, expect, it } from 'vitest';
import { network } from '../test/network';
import { lines } from './lines';

const encoder = new TextEncoder();

function answers(...chunks: string[]) {
  network.answer = async () =>
    new Response(
      new ReadableStream({
        start(stream) {
          for (const chunk of chunks) stream.enqueue(encoder.encode(chunk));
          stream.close();
        },
      }),
    );
}

async function all() {
  const read: unknown[] = [];
  for await (const line of lines('/api/x', {})) read.push(line);
  return read;
}

describe('an answer in lines', () => {
  it('is read line by line, wherever the chunks are cut', async () => {
    answers('{"done":1}\n{"do', 'ne":2}\n', '{"done":', '3}');
    expect(await all()).toEqual([{ done: 1 }, { done: 2 }, { done: 3 }]);
  });

  it('may have empty lines, or none at all', async () => {
    answers('\n\n{"done":1}\n\n');
    expect(await all()).toEqual([{ done: 1 }]);
    answers();
    expect(await all()).toEqual([]);
  });

  it('is a problem when the server says so', async () => {
    network.answer = async () =>
      new Response(JSON.stringify({ title: 'Has faults', detail: 'Row 3: code is empty.' }), {
        status: 422,
      });
    await expect(all()).rejects.toThrow('Row 3: code is empty.');
  });
});
