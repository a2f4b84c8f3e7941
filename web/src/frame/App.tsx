import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { Navigate, Route, Routes, useParams } from 'react-router';
import { useTranslations } from 'use-intl';
import type { Me, MyCourse } from '../api/client';
import { queries } from '../api/queries';
import type { WalkName } from '../kinds/room';
import { useSignedIn } from '../session/kept';
import { EmptyView, Loaded } from '../ui/Panel';
import { Boundary } from './Boundary';
import { CourseContext } from './course';
import { Institution } from './Institution';
import { OF_INSTITUTION, viewsOf } from './views';

const SignIn = lazy(() => import('../session/SignIn'));
const SignInAgain = lazy(() => import('../session/SignInAgain'));
const NewPassword = lazy(() => import('../session/NewPassword'));
const Forgotten = lazy(() => import('../session/Forgotten'));
const ShownBadge = lazy(() => import('../public/ShownBadge'));
const CheckCertificate = lazy(() => import('../public/CheckCertificate'));
const WalletBack = lazy(() => import('../learn/WalletBack'));
const CheckPage = lazy(() => import('../public/CheckPage'));
const FirstCourse = lazy(() => import('./FirstCourse'));
const Frame = lazy(() => import('./Frame'));
const MyRoute = lazy(() => import('../learn/MyRoute'));
const StepView = lazy(() => import('../learn/StepView'));
const MyCalendar = lazy(() => import('../learn/MyCalendar'));
const MyOutcomes = lazy(() => import('../learn/MyOutcomes'));
const MyBadges = lazy(() => import('../learn/MyBadges'));
const Messages = lazy(async () => {
  const [loaded] = await Promise.all([import('../reach/Messages'), import('../i18n/staff')]);
  return loaded;
});

export function App() {
  const me = useQuery(queries.me());
  return (
    <Boundary>
      <Suspense fallback={null}>
        <Loaded query={me}>{(data) => <Anybody me={data} />}</Loaded>
      </Suspense>
    </Boundary>
  );
}

/** The pages of everybody, and those of whoever is signed in. */
function Anybody({ me }: { me: Me }) {
  const known = useSignedIn(me);
  return (
    <>
      <Institution of={me.institution} />
      {known.person && !me.person && <SignInAgain person={known.person} />}
      <Routes>
        <Route path="/password" element={<NewPassword />} />
        <Route path="/forgotten" element={<Forgotten />} />
        <Route path="/check" element={<CheckPage />} />
        <Route path="/certificate" element={<CheckCertificate />} />
        <Route path="/certificate/:code" element={<CheckCertificate />} />
        <Route path="/badge/:award" element={<ShownBadge />} />
        <Route path="*" element={known.person ? <SignedIn me={known} /> : <SignIn />} />
      </Routes>
    </>
  );
}

function SignedIn({ me }: { me: Me }) {
  const t = useTranslations();
  return (
    <Routes>
      <Route path="/" element={<Home me={me} />} />
      <Route path="/wallet" element={<WalletBack />} />
      <Route path="/c/:course/*" element={<Course me={me} />} />
      {me.person?.administrator &&
        OF_INSTITUTION.map(({ path, Part }) => (
          <Route
            key={path}
            path={`/institution/${path}`}
            element={
              <Frame me={me}>
                <Suspense fallback={null}>
                  <Part />
                </Suspense>
              </Frame>
            }
          />
        ))}
      <Route
        path="*"
        element={
          <Frame me={me}>
            <EmptyView named title={t('session.notFound')} />
          </Frame>
        }
      />
    </Routes>
  );
}

/** A learner's first course is where they are enrolled last; staff begin in one that is running. */
function Home({ me }: { me: Me }) {
  const t = useTranslations();
  const staffed = me.courses.find((c) => c.role && !c.framework && c.week < c.weeks);
  const learning = [...me.courses].reverse().find((c) => c.learner && !c.role);
  const first = learning ?? staffed ?? me.courses[0];
  if (first) return <Navigate to={`/c/${first.id}`} replace />;
  return (
    <Frame me={me}>
      {me.person?.administrator ? (
        <FirstCourse />
      ) : (
        <EmptyView named title={t('session.noCourses')} />
      )}
    </Frame>
  );
}

function start(course: MyCourse): string {
  if (course.framework) return 'plan/outcomes';
  return course.role ? 'watch/progress' : 'my/route';
}

function Course({ me }: { me: Me }) {
  const t = useTranslations();
  const id = Number(useParams().course);
  const course = me.courses.find((c) => c.id === id);
  if (!course)
    return (
      <Frame me={me}>
        <EmptyView named title={t('session.notFound')} />
      </Frame>
    );
  return (
    <CourseContext value={course}>
      <Frame me={me} course={course}>
        <Suspense fallback={null}>
          <Routes>
            <Route index element={<Navigate to={start(course)} replace />} />
            {course.learner && <Route path="my/messages" element={<Messages />} />}
            {course.learner && <Route path="my/*" element={<LearnerViews walk="mine" />} />}
            {course.role && !course.framework && (
              <Route path="practice/*" element={<LearnerViews walk="practice" />} />
            )}
            {course.role && !course.framework && <Route path=":eyes/*" element={<Watched />} />}
            {viewsOf(course).map(({ space, path, Part }) => (
              <Route key={path} path={`${space}/${path}`} element={<Part />} />
            ))}
            <Route path="*" element={<EmptyView named title={t('session.notFound')} />} />
          </Routes>
        </Suspense>
      </Frame>
    </CourseContext>
  );
}

/** A learner's views through the eyes of one. */
function Watched() {
  const t = useTranslations();
  const { eyes = '' } = useParams();
  if (!/^as-\d+(-at-\d+)?$/.test(eyes)) return <EmptyView named title={t('session.notFound')} />;
  return <LearnerViews walk={eyes as WalkName} />;
}

function LearnerViews({ walk }: { walk: WalkName }) {
  return (
    <Routes>
      <Route path="route" element={<MyRoute walk={walk} />} />
      <Route path="steps/:step" element={<StepView walk={walk} />} />
      <Route path="outcomes" element={<MyOutcomes walk={walk} />} />
      <Route path="calendar" element={<MyCalendar walk={walk} />} />
      <Route path="badges" element={<MyBadges walk={walk} />} />
      <Route path="*" element={<Navigate to="route" replace />} />
    </Routes>
  );
}
