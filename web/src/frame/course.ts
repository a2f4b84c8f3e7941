import { createContext, useContext } from 'react';
import type { MyCourse } from '../api/client';

export const CourseContext = createContext<MyCourse | null>(null);

/** The course that the address names. */
export function useCourse(): MyCourse {
  const course = useContext(CourseContext);
  if (!course) throw new Error('used outside a course');
  return course;
}
