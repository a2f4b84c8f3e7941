import { createFilterOptions } from '@mui/material';

/** Of a long list so many are offered; typing finds the others. */
const OFFERED = 100;

/** What is offered of what is in a list, of which there may be thousands. */
export const offered = <T>() => createFilterOptions<T>({ limit: OFFERED });
