import { Divider, ListItemText, ListSubheader, Menu, MenuItem } from '@mui/material';
import { useNavigate } from 'react-router';
import { useTranslations } from 'use-intl';
import type { Me, MyCourse } from '../api/client';
import { useLine } from '../ui/useNames';
import { useWindBack } from './useWindBack';
import { OF_INSTITUTION } from './views';

/** One's courses, and new ones for those who make them. */
export default function CourseMenu({
  me,
  course,
  anchor,
  part,
  onClose,
  onMake,
}: {
  me: Me;
  course: MyCourse | undefined;
  anchor: HTMLElement;
  /** What one is in a course. */
  part: (course: MyCourse) => string;
  onClose: () => void;
  onMake: (what: 'course' | 'framework') => void;
}) {
  const t = useTranslations();
  const line = useLine();
  const navigate = useNavigate();
  const windBack = useWindBack(course?.id);
  return (
    <Menu anchorEl={anchor} open onClose={onClose}>
      {me.courses.map((c, n) => [
        c.framework && !me.courses[n - 1]?.framework && (
          <ListSubheader key="frameworks">{t('frame.frameworks')}</ListSubheader>
        ),
        <MenuItem
          key={c.id}
          selected={c.id === course?.id}
          onClick={() => {
            onClose();
            void navigate(`/c/${c.id}`);
          }}
        >
          <ListItemText primary={c.name} secondary={line(c.cohort, part(c))} />
        </MenuItem>,
      ])}
      {course?.role &&
        !course.framework && [
          <ListSubheader key="course">{course.name}</ListSubheader>,
          <MenuItem
            key="roster"
            onClick={() => {
              onClose();
              void navigate(`/c/${course.id}/course/roster`);
            }}
          >
            {t('frame.rosterAndGroups')}
          </MenuItem>,
          course.role === 'DESIGNER' && (
            <MenuItem
              key="wording"
              onClick={() => {
                onClose();
                void navigate(`/c/${course.id}/course/wording`);
              }}
            >
              {t('frame.wording')}
            </MenuItem>
          ),
          course.practice && course.role === 'DESIGNER' && (
            <MenuItem
              key="wind"
              onClick={() => {
                onClose();
                windBack.mutate();
              }}
            >
              {t('frame.windBack')}
            </MenuItem>
          ),
        ]}
      {me.person?.administrator && [
        <ListSubheader key="institution">{t('frame.institution')}</ListSubheader>,
        ...OF_INSTITUTION.map((v) => (
          <MenuItem
            key={v.path}
            onClick={() => {
              onClose();
              void navigate(`/institution/${v.path}`);
            }}
          >
            {t(`frame.${v.name}`)}
          </MenuItem>
        )),
        <Divider key="line" />,
      ]}
      {me.person?.makesCourses && (
        <MenuItem
          key="new"
          onClick={() => {
            onClose();
            onMake('course');
          }}
        >
          {t('frame.newCourse')} …
        </MenuItem>
      )}
      {me.person?.administrator && (
        <MenuItem
          key="framework"
          onClick={() => {
            onClose();
            onMake('framework');
          }}
        >
          {t('frame.newFramework')} …
        </MenuItem>
      )}
    </Menu>
  );
}
