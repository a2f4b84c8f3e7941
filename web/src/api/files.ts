import { say } from '../i18n';
import { whenSessionEnds } from '../ui/session';
import { failed, refuseFailure, token } from './client';

/** Sends a file as it is, and gives what the server says of it. */
export async function sendFile<T>(path: string, file: File, headers: Record<string, string> = {}) {
  const response = await fetch(
    new Request(path, {
      method: 'POST',
      headers: {
        ...headers,
        'Content-Type': 'application/octet-stream',
        'X-XSRF-TOKEN': token(),
      },
      body: file,
    }),
  );
  await refuseFailure(response);
  return (await response.json()) as T;
}

const PIECE = 8 * 1024 * 1024;
const AGAIN_AFTER = [0, 1000, 3000, 5000, 10_000, 20_000, 30_000];
const KEPT = 'tus::';

// Where a file goes on that was not sent whole belongs to whoever was sending it.
whenSessionEnds(() => {
  for (const key of Object.keys(localStorage))
    if (key.startsWith(KEPT)) localStorage.removeItem(key);
});

/**
 * Sends a file in pieces, goes on by itself after a broken connection, and where an earlier sending
 * of it stopped.
 *
 * @param progress called with the share that is sent, 0 to 1
 * @returns what the server takes it by
 */
export async function sendInPieces(
  file: File,
  progress: (share: number) => void,
  signal?: AbortSignal,
): Promise<string> {
  if (file.size === 0) throw new Error(say('common.fileEmpty', { name: file.name }));
  const { Upload, DetailedError } = await import('tus-js-client');
  return new Promise((resolve, reject) => {
    const upload = new Upload(file, {
      endpoint: '/api/uploads',
      chunkSize: PIECE,
      retryDelays: AGAIN_AFTER,
      metadata: { filename: file.name },
      removeFingerprintOnSuccess: true,
      onBeforeRequest: (request) => request.setHeader('X-XSRF-TOKEN', token()),
      onProgress: (sent, all) => progress(sent / all),
      onSuccess: () => resolve(upload.url?.split('/').pop() ?? ''),
      onError: (error) => {
        const answer = error instanceof DetailedError ? error.originalResponse : null;
        if (answer) reject(failed(answer.getStatus(), answer.getBody()));
        else reject(new Error(say('common.uploadBroke')));
      },
    });
    signal?.addEventListener('abort', () => {
      void upload.abort(true);
      reject(new DOMException('given up', 'AbortError'));
    });
    void upload.findPreviousUploads().then((earlier) => {
      const [last] = earlier;
      if (last) upload.resumeFromPreviousUpload(last);
      upload.start();
    });
  });
}

/** A file as an address that stands for its content, so that it can be shown. */
export const dataAddress = (file: Blob) =>
  new Promise<string>((done, failed) => {
    const reader = new FileReader();
    reader.onload = () => done(`${reader.result}`);
    reader.onerror = () => failed(reader.error);
    reader.readAsDataURL(file);
  });
