import { refuseFailure, token } from './client';

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
