import type { ComponentType } from 'react';
import { createBrowserRouter } from 'react-router';
import { BrokenScreen, Loading, LostScreen } from '../frame/Fallbacks';
import { SignedIn } from '../frame/SignedIn';
import { afterFirstScreen } from '../ground/after-first-screen';
import { overlays } from '../ground/overlays';
import { BenchScreen } from '../screens/bench/BenchScreen';
import { loadForms } from '../screens/bench/forms/open';
import { signing } from '../sync/keys';

/** A screen that comes when it is opened. What the bench needs is there from the start, and nothing else. */
function later<Name extends string>(name: Name, load: () => Promise<Record<Name, ComponentType>>) {
  return async () => {
    const [screen] = await Promise.all([load(), import('../ground/all-styles')]);
    return { Component: screen[name] };
  };
}

const jobs = () => import('../screens/jobs/JobsScreen');
const record = () => import('../screens/record/RecordScreen');
const deviceLink = () => import('../sync/device-link');
// Where a job leads to, and what it opens, is there too, when the network is gone by then.
void afterFirstScreen
  .then(() => Promise.all([jobs(), record(), overlays(), loadForms(), signing(), deviceLink()]))
  .catch(() => undefined);

export const router = createBrowserRouter([
  {
    errorElement: <BrokenScreen />,
    HydrateFallback: Loading,
    children: [
      { path: '/sign-in', lazy: later('SignInScreen', () => import('../screens/sign-in/SignInScreen')) },
      {
        path: '/first-account',
        lazy: later('FirstAccountScreen', () => import('../screens/sign-in/FirstAccountScreen')),
      },
      // A customer has none either.
      { path: '/verify', lazy: later('VerifyScreen', () => import('../screens/verify/VerifyScreen')) },
      // A device has no account; it is let in by a code.
      { path: '/devices/wrench', lazy: later('WrenchScreen', () => import('../screens/devices/WrenchScreen')) },
      { path: '/devices/calliper', lazy: later('CalliperScreen', () => import('../screens/devices/CalliperScreen')) },
      {
        path: '/devices/test-bench',
        lazy: later('TestBenchScreen', () => import('../screens/devices/TestBenchScreen')),
      },
      {
        element: <SignedIn />,
        children: [
          { path: '/', lazy: later('ShelfScreen', () => import('../screens/shelf/ShelfScreen')) },
          { path: '/series/:id', lazy: later('SeriesScreen', () => import('../screens/series/SeriesScreen')) },
          {
            path: '/series/:id/torque',
            lazy: later('TorqueSheetScreen', () => import('../screens/torque-sheet/TorqueSheetScreen')),
          },
          {
            path: '/procedures/:id',
            lazy: later('ProcedureScreen', () => import('../screens/procedure/ProcedureScreen')),
            children: [
              { index: true, lazy: later('AuthorScreen', () => import('../screens/author/AuthorScreen')) },
              {
                path: 'narration',
                lazy: later('NarrationScreen', () => import('../screens/narration/NarrationScreen')),
              },
            ],
          },
          { path: '/procedures/:id/walk', lazy: later('WalkScreen', () => import('../screens/walk/WalkScreen')) },
          {
            path: '/procedures/:id/release',
            lazy: later('ReleaseScreen', () => import('../screens/release/ReleaseScreen')),
          },
          { path: '/jobs', lazy: later('JobsScreen', jobs) },
          { path: '/jobs/:id', element: <BenchScreen /> },
          { path: '/jobs/:id/record', lazy: later('RecordScreen', record) },
          { path: '/parts', lazy: later('PartsScreen', () => import('../screens/parts-to-get/PartsScreen')) },
          { path: '/pumps/:serial', lazy: later('PumpScreen', () => import('../screens/pump/PumpScreen')) },
          { path: '/people', lazy: later('PeopleScreen', () => import('../screens/people/PeopleScreen')) },
          { path: '/settings', lazy: later('SettingsScreen', () => import('../screens/settings/SettingsScreen')) },
          { path: '*', element: <LostScreen /> },
        ],
      },
    ],
  },
]);
