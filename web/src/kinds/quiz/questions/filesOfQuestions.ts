import { createContext, useContext } from 'react';
import type { FileDoor } from '../../../ui/editor/useSending';

interface QuestionFiles {
  /** Where a file that stands in a question is found. */
  address: (file: number) => string;
  /** How authors add one. */
  door?: FileDoor;
}

/** The files of the questions that are shown; whoever shows them says where they are. */
export const FilesOfQuestions = createContext<QuestionFiles>({ address: () => '' });

export const useFilesOfQuestions = () => useContext(FilesOfQuestions);
