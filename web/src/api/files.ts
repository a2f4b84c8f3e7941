import { say } from '../i18n';
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

/**
 * Sends a file as the body of a request and tells how far it is, which fetch cannot.
 *
 * @param progress called with the share that is sent, 0 to 1
 */
export function upload<T>(path: string, file: File, progress: (share: number) => void): Promise<T> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open('POST', path);
    request.setRequestHeader('Content-Type', 'application/octet-stream');
    request.setRequestHeader('Accept', 'application/json');
    request.setRequestHeader('X-XSRF-TOKEN', token());
    request.upload.onprogress = (event) => {
      if (event.lengthComputable) progress(event.loaded / event.total);
    };
    request.onerror = () => reject(new Error(say('common.uploadBroke')));
    request.onload = () => {
      if (request.status < 300) resolve(JSON.parse(request.responseText) as T);
      else reject(failed(request.status, request.responseText));
    };
    request.send(file);
  });
}
