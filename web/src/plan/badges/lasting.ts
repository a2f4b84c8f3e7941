import type { DesignBadge } from '../../api/client';
import { day } from '../../ui/format';

/** How long a badge is valid; nothing for one without end. */
export function lastingInWords(
  badge: DesignBadge,
  t: (key: string, values?: Record<string, string | number>) => string,
): string {
  const { is, months, day: until } = badge.lasting;
  if (is === 'MONTHS') return t('badge.validMonths', { count: months ?? 0 });
  if (is === 'UNTIL') return t('badge.validUntil', { day: day(until) });
  return '';
}
