import { Button } from '@mui/material';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useTranslations } from 'use-intl';
import { Actions } from '../frame/Actions';
import { useCourse } from '../frame/course';
import { useOtherGrid } from './filter';
import { ReportActions } from './ReportActions';

/** To the other grid, also by the key g; out as a file; and on paper. */
export function GridActions({
  grid,
  other,
  children,
}: {
  grid: 'mastery' | 'grades';
  other: 'mastery' | 'grades';
  children?: ReactNode;
}) {
  const t = useTranslations();
  const course = useCourse();
  const to = useOtherGrid(`/c/${course.id}/watch/${other}`);
  return (
    <Actions>
      {children}
      <Button variant="outlined" component={Link} to={to} title={t('watch.keyG')}>
        {t(`frame.${other}`)}
      </Button>
      <ReportActions report={grid} />
    </Actions>
  );
}
