import { ApiError, token } from './client';

/**
 * Asks for something that takes a while and gives each line of the answer, read as JSON, as it
 * comes.
 */
export async function* lines<T>(
  path: string,
  body: unknown,
  headers: Record<string, string> = {},
): AsyncGenerator<T> {
  const response = await fetch(
    new Request(path, {
      method: 'POST',
      headers: { ...headers, 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token() },
      body: JSON.stringify(body),
    }),
  );
  if (!response.ok) throw new ApiError({ ...(await response.json()), status: response.status });
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
