import staff from '../../../words/en/staff.properties';
import { add } from '.';

/** What only staff read, and letters: it comes with their views and not with the first page. */
add(staff);
