import { subDays } from 'date-fns';
import { useTranslations } from 'use-intl';
import { day } from '../ui/format';
import { tone } from '../ui/tone';

const HEIGHT = 46;

/** Minutes on each of the last days, today at the right; the figures stand in the titles. */
export function DayBars({ minutes }: { minutes: number[] }) {
  const t = useTranslations();
  const most = Math.max(30, ...minutes);
  const total = minutes.reduce((a, b) => a + b, 0);
  const now = new Date();
  return (
    <svg
      width="100%"
      height={HEIGHT + 2}
      viewBox={`0 0 ${minutes.length * 8} ${HEIGHT + 2}`}
      preserveAspectRatio="none"
      role="img"
      aria-label={`${t('watch.time')}: ${total} min`}
    >
      {minutes.map((m, n) => {
        const date = subDays(now, minutes.length - 1 - n).toISOString();
        return (
          <rect
            key={date}
            x={n * 8}
            y={HEIGHT - (m / most) * HEIGHT}
            width={6}
            height={(m / most) * HEIGHT}
            fill={tone('indigo')}
          >
            <title>{t('watch.minutes', { minutes: m, date: day(date) })}</title>
          </rect>
        );
      })}
      <path d={`M0 ${HEIGHT + 1}H${minutes.length * 8}`} stroke={tone('hairline')} />
    </svg>
  );
}
