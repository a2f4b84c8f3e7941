import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { Kept } from '../../api/client';
import { sendInPieces } from '../../api/files';

/** What files stand in a text as. */
export type FileKind = 'picture' | 'film' | 'file';

export type FileUse = 'FILM' | 'SOUND' | 'PICTURE' | 'CAPTIONS' | 'DOCUMENT';

/** Where files of a text are found, and how one that was sent is kept. */
export interface FileDoor {
  /** What of them a text takes; everything, if nothing is said. */
  takes?: readonly FileKind[];
  address: (file: number) => string;
  keep: (upload: string, use: FileUse) => Promise<Kept>;
}

/** Sends a file for a text and tells how far it is. */
export function useSending(door: FileDoor | undefined) {
  const [share, setShare] = useState(0);
  const send = useMutation({
    meta: { silent: true },
    mutationFn: async ({ file, use }: { file: File; use: FileUse }) => {
      if (!door) throw new Error('no place for files');
      setShare(0);
      return door.keep(await sendInPieces(file, setShare), use);
    },
  });
  return { ...send, share };
}

export type Sending = ReturnType<typeof useSending>;
