import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { endSession } from '../ui/session';
import { sendInPieces } from './files';

interface Options {
  metadata: { filename: string };
  onBeforeRequest: (request: { setHeader: (name: string, value: string) => void }) => void;
  onProgress: (sent: number, all: number) => void;
  onSuccess: () => void;
  onError: (error: Error) => void;
}

const said = vi.hoisted(() => ({
  options: undefined as unknown,
  earlier: [] as object[],
  resumed: [] as object[],
  end: (_: unknown) => {},
}));

vi.mock('tus-js-client', () => {
  class DetailedError extends Error {
    originalResponse: object | null;
    constructor(response: object | null) {
      super('broken');
      this.originalResponse = response;
    }
  }
  class Upload {
    url = '/api/uploads/abc-1';
    constructor(_: File, options: object) {
      said.options = options;
    }
    findPreviousUploads = async () => said.earlier;
    resumeFromPreviousUpload = (upload: object) => said.resumed.push(upload);
    start = () => said.end(DetailedError);
    abort = vi.fn();
  }
  return { Upload, DetailedError };
});

const options = () => said.options as Options;
const file = () => new File(['plan'], 'plan.pdf');

beforeEach(() => {
  said.earlier = [];
  said.resumed = [];
  said.end = () => options().onSuccess();
});
afterEach(() => localStorage.clear());

describe('a file that is sent in pieces', () => {
  it('says how far it is and what the server takes it by', async () => {
    const progress = vi.fn();
    said.end = () => {
      options().onProgress(1, 4);
      options().onSuccess();
    };
    expect(await sendInPieces(file(), progress)).toBe('abc-1');
    expect(progress).toHaveBeenCalledWith(0.25);
    expect(options().metadata).toEqual({ filename: 'plan.pdf' });
  });

  it('goes on where an earlier sending of it stopped', async () => {
    said.earlier = [{ uploadUrl: '/api/uploads/abc-0' }];
    await sendInPieces(file(), () => {});
    expect(said.resumed).toEqual(said.earlier);
  });

  it('that the server refuses says why, and one that cannot go on says that', async () => {
    said.end = (error) => {
      const Detailed = error as new (response: object | null) => Error;
      const refused = { getStatus: () => 422, getBody: () => '{"detail":"Too large."}' };
      options().onError(new Detailed(refused));
    };
    await expect(sendInPieces(file(), () => {})).rejects.toThrow('Too large.');
    said.end = (error) => {
      const Detailed = error as new (response: object | null) => Error;
      options().onError(new Detailed(null));
    };
    await expect(sendInPieces(file(), () => {})).rejects.toThrow('connection broke');
  });

  it('with nothing in it is not sent', async () => {
    await expect(sendInPieces(new File([], 'nothing.pdf'), () => {})).rejects.toThrow('empty');
  });

  it('leaves nothing behind when its writer signs out', () => {
    localStorage.setItem('tus::1', 'where it goes on');
    endSession();
    expect(localStorage.getItem('tus::1')).toBeNull();
  });
});
