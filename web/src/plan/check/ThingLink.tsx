import { Link } from '@mui/material';
import { Link as RouterLink } from 'react-router';
import type { CheckedThing } from '../../api/client';

/** Where a thing of the course is changed. */
function address({ part, id }: CheckedThing) {
  switch (part) {
    case 'STEPS':
      return `../route?sel=step-${id}`;
    case 'MODULES':
      return `../route?sel=module-${id}`;
    case 'BADGES':
      return `../badges?sel=${id}`;
    case 'OUTCOMES':
      return `../outcomes?sel=${id}`;
    case 'FLAGS':
    case 'COMPLETION':
      return '../route?sel=course';
  }
}

export function ThingLink({ thing }: { thing: CheckedThing }) {
  return (
    <Link
      component={RouterLink}
      relative="path"
      to={address(thing)}
      color="inherit"
      sx={{ display: 'inline-block', py: '2px' }}
    >
      {thing.name}
    </Link>
  );
}
