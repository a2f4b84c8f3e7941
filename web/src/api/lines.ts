import { ApiError, token } from './client';

async function post(path: string, body: unknown, headers: Record<string, string>) {
  const file = body instanceof File;
  const response = await fetch(
    new Request(path, {
      method: 'POST',
      headers: {
        ...headers,
        'Content-Type': file ? 'application/octet-stream' : 'application/json',
        'X-XSRF-TOKEN': token(),
      },
      body: file ? body : JSON.stringify(body),
    }),
  );
  if (!response.ok) throw new ApiError({ ...(await response.json()), status: response.status });
  return response;
}

/** Sends a file as it is, and gives what the server says of it. */
export async function sendFile<T>(path: string, file: File): Promise<T> {
  return (await post(path, file, {})).json();
}

/**
 * Asks for something that takes a while and gives each line of the answer, read as JSON, as it
 * comes.
 *
 * @param body sent as JSON, or a file as it is
 */
export async function* lines<T>(
  path: string,
  body: unknown,
  headers: Record<string, string> = {},
): AsyncGenerator<T> {
  const response = await post(path, body, headers);
  const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  while (reader) {
    const { done, value } = await reader.read();
    const whole = (rest + (value ?? '')).split('\n');
    rest = done ? '' : (whole.pop() ?? '');
    for (const line of whole) if (line.trim() !== '') yield JSON.parse(line) as T;
    if (done) return;
  }
}
