import { inject } from '@angular/core';
import { Router, type CanActivateFn, type Routes } from '@angular/router';
import { SessionService } from './server/session.service';
import { KeyRing } from './this-device/key-ring';

const signedIn: CanActivateFn = async (_route, { url }) => {
  const session = inject(SessionService);
  const router = inject(Router);
  const ring = inject(KeyRing);
  await ring.look();
  if (ring.locked()) return router.createUrlTree(['/locked'], { queryParams: { to: url } });
  const now = await session.ready();
  if (now.signedIn) return true;
  return router.parseUrl(now.firstRun ? '/first-run' : '/sign-in');
};

/** The page of controls is for whoever builds screens: a salon's own installation does not have it. */
const isDemo: CanActivateFn = async () => {
  const session = inject(SessionService);
  const router = inject(Router);
  return (await session.ready()).demoLogins.length > 0 || router.parseUrl('/today');
};

/** Every screen belongs to a phase of the visit or to the day round it. */
export const routes: Routes = [
  { path: 'sign-in', title: 'Sign in · Mansuet', loadComponent: () => import('./sign-in/sign-in.page').then((m) => m.SignInPage) },
  { path: 'locked', title: 'Locked · Mansuet', loadComponent: () => import('./this-device/locked.page').then((m) => m.LockedPage) },
  { path: 'first-run', title: 'Set up · Mansuet', loadComponent: () => import('./sign-in/first-run.page').then((m) => m.FirstRunPage) },
  {
    path: 'o/:secret',
    title: 'For the owner · Mansuet',
    loadComponent: () => import('./owner-page/owner-link.page').then((m) => m.OwnerLinkPage),
  },
  {
    path: 'join/:secret',
    title: 'Choose a password · Mansuet',
    loadComponent: () => import('./people/join.page').then((m) => m.JoinPage),
  },
  {
    path: 'controls',
    title: 'Controls · Mansuet',
    canActivate: [isDemo],
    loadComponent: () => import('./controls-page/controls.page').then((m) => m.ControlsPage),
  },
  {
    path: '',
    canActivate: [signedIn],
    loadComponent: () => import('./lead-wall/frame').then((m) => m.Frame),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'today' },
      { path: 'today', title: 'Today · Mansuet', loadComponent: () => import('./today/today.page').then((m) => m.TodayPage) },
      { path: 'book', title: 'Book · Mansuet', loadComponent: () => import('./book/book.page').then((m) => m.BookPage) },
      { path: 'dogs', title: 'Dogs · Mansuet', loadComponent: () => import('./dogs/dogs.page').then((m) => m.DogsPage) },
      { path: 'dogs/new', title: 'New dog · Mansuet', loadComponent: () => import('./dogs/dog-form.page').then((m) => m.DogFormPage) },
      {
        path: 'dogs/:dogId/edit',
        title: 'Change dog · Mansuet',
        loadComponent: () => import('./dogs/dog-form.page').then((m) => m.DogFormPage),
      },
      {
        path: 'dogs/:dogId/book',
        title: 'Book a visit · Mansuet',
        loadComponent: () => import('./dogs/book-visit.page').then((m) => m.BookVisitPage),
      },
      {
        path: 'dogs/:dogId',
        title: 'Dog file · Mansuet',
        loadComponent: () => import('./dog-file/dog-file.page').then((m) => m.DogFilePage),
      },
      {
        path: 'intakes',
        title: 'What owners tell us · Mansuet',
        loadComponent: () => import('./intake/intakes.page').then((m) => m.IntakesPage),
      },
      {
        path: 'messages',
        title: 'Messages · Mansuet',
        loadComponent: () => import('./messages/messages.page').then((m) => m.MessagesPage),
      },
      {
        path: 'rights',
        title: 'Devices · Mansuet',
        loadComponent: () => import('./this-device/rights.page').then((m) => m.RightsPage),
      },
      {
        path: 'house-rules',
        title: 'House rules · Mansuet',
        loadComponent: () => import('./house-rules/house-rules.page').then((m) => m.HouseRulesPage),
      },
      { path: 'salon', title: 'Salon · Mansuet', loadComponent: () => import('./salon/salon.page').then((m) => m.SalonPage) },
      { path: 'me', title: 'You · Mansuet', loadComponent: () => import('./people/me.page').then((m) => m.MePage) },
      {
        path: 'visits/:visitId',
        loadComponent: () => import('./visit/visit-frame').then((m) => m.VisitFrame),
        children: [
          { path: 'know', title: 'Know · Mansuet', loadComponent: () => import('./dog-file/know.page').then((m) => m.KnowPage) },
          {
            path: 'feel_over',
            title: 'Feel over · Mansuet',
            loadComponent: () => import('./feel-over/feel-over.page').then((m) => m.FeelOverPage),
          },
          {
            path: 'agree',
            title: 'Agree · Mansuet',
            loadComponent: () => import('./agreement/agreement.page').then((m) => m.AgreementPage),
          },
          {
            path: 'plan',
            title: 'Plan · Mansuet',
            loadComponent: () => import('./handling-plan/handling-plan.page').then((m) => m.HandlingPlanPage),
          },
          { path: 'work', title: 'At the table · Mansuet', loadComponent: () => import('./table/table.page').then((m) => m.TablePage) },
          {
            path: 'hand_back',
            title: 'Hand back · Mansuet',
            loadComponent: () => import('./hand-back/hand-back.page').then((m) => m.HandBackPage),
          },
          {
            path: 'incidents/:incidentId',
            title: 'Incident · Mansuet',
            loadComponent: () => import('./incident/incident.page').then((m) => m.IncidentPage),
          },
        ],
      },
    ],
  },
  { path: '**', redirectTo: 'today' },
];
