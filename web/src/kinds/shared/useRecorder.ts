import { useCallback, useEffect, useRef, useState } from 'react';

export type Medium = 'sound' | 'film';

/** Where a recording stands. */
export type Recording =
  | { is: 'none' }
  | { is: 'asking' }
  | { is: 'refused'; why: 'denied' | 'missing' | 'impossible' }
  | { is: 'counting'; left: number; stream: MediaStream }
  | { is: 'running'; seconds: number; stream: MediaStream }
  | { is: 'done'; file: File; address: string; seconds: number };

const COUNTDOWN = 3;
/** Longer ones are better split; the file stays within what is taken. */
export const LONGEST_SECONDS = 20 * 60;

const TYPES: Record<Medium, string[]> = {
  sound: ['audio/webm;codecs=opus', 'audio/webm', 'audio/mp4'],
  film: ['video/webm;codecs=vp9,opus', 'video/webm', 'video/mp4'],
};

const typeOf = (medium: Medium) => TYPES[medium].find((t) => MediaRecorder.isTypeSupported(t));

/** A recording has no length in it when it comes from the browser; this puts it in. */
async function withLength(blob: Blob, seconds: number): Promise<Blob> {
  if (!blob.type.includes('webm')) return blob;
  const { default: fix } = await import('fix-webm-duration');
  return fix(blob, seconds * 1000, { logger: false });
}

function named(blob: Blob, medium: Medium): File {
  const now = new Date();
  const stamp = new Date(now.getTime() - now.getTimezoneOffset() * 60_000)
    .toISOString()
    .slice(0, 16)
    .replace('T', '-')
    .replace(':', '');
  const type = blob.type.split(';')[0] ?? '';
  return new File([blob], `${medium}-${stamp}.${type.endsWith('mp4') ? 'mp4' : 'webm'}`, { type });
}

/** Records sound, or picture and sound, after a countdown; it can be done again before it is used. */
export function useRecorder(medium: Medium) {
  const [state, setState] = useState<Recording>({ is: 'none' });
  const recorder = useRef<MediaRecorder | null>(null);
  const stream = useRef<MediaStream | null>(null);
  const address = useRef<string | null>(null);

  const letGo = useCallback(() => {
    for (const track of stream.current?.getTracks() ?? []) track.stop();
    stream.current = null;
    if (address.current) URL.revokeObjectURL(address.current);
    address.current = null;
  }, []);
  // A camera never stays on behind a page that was left.
  useEffect(
    () => () => {
      recorder.current = null;
      letGo();
    },
    [letGo],
  );

  const record = (from: MediaStream) => {
    const mimeType = typeOf(medium);
    const made = new MediaRecorder(from, mimeType ? { mimeType } : {});
    const parts: Blob[] = [];
    const began = Date.now();
    made.ondataavailable = ({ data }) => data.size > 0 && parts.push(data);
    made.onstop = async () => {
      const seconds = Math.max(1, Math.round((Date.now() - began) / 1000));
      const own = recorder.current === made;
      for (const track of from.getTracks()) track.stop();
      if (!own) return;
      const file = named(
        await withLength(new Blob(parts, { type: made.mimeType }), seconds),
        medium,
      );
      address.current = URL.createObjectURL(file);
      setState({ is: 'done', file, address: address.current, seconds });
    };
    recorder.current = made;
    made.start(1000);
    setState({ is: 'running', seconds: 0, stream: from });
  };

  const begin = async () => {
    letGo();
    if (!navigator.mediaDevices || typeof MediaRecorder === 'undefined') {
      setState({ is: 'refused', why: 'impossible' });
      return;
    }
    setState({ is: 'asking' });
    try {
      const from = await navigator.mediaDevices.getUserMedia({
        audio: true,
        video: medium === 'film' ? { width: { ideal: 1280 }, height: { ideal: 720 } } : false,
      });
      stream.current = from;
      setState({ is: 'counting', left: COUNTDOWN, stream: from });
    } catch (fault) {
      const denied = fault instanceof DOMException && fault.name === 'NotAllowedError';
      setState({ is: 'refused', why: denied ? 'denied' : 'missing' });
    }
  };

  // biome-ignore lint/correctness/useExhaustiveDependencies: goes on with each second
  useEffect(() => {
    if (state.is !== 'counting' && state.is !== 'running') return undefined;
    const tick = setTimeout(() => {
      if (state.is === 'counting') {
        if (state.left > 1) setState({ ...state, left: state.left - 1 });
        else record(state.stream);
      } else if (state.seconds + 1 >= LONGEST_SECONDS) recorder.current?.stop();
      else setState({ ...state, seconds: state.seconds + 1 });
    }, 1000);
    return () => clearTimeout(tick);
  }, [state]);

  return {
    state,
    begin,
    stop: () => recorder.current?.stop(),
    drop: () => {
      recorder.current = null;
      letGo();
      setState({ is: 'none' });
    },
  };
}
