import { createBrowserRouter } from 'react-router';
import { AuthorScreen } from '../screens/author/AuthorScreen';
import { BenchScreen } from '../screens/bench/BenchScreen';
import { JobsScreen } from '../screens/jobs/JobsScreen';
import { PeopleScreen } from '../screens/people/PeopleScreen';
import { RecordScreen } from '../screens/record/RecordScreen';
import { ReleaseScreen } from '../screens/release/ReleaseScreen';
import { SeriesScreen } from '../screens/series/SeriesScreen';
import { SettingsScreen } from '../screens/settings/SettingsScreen';
import { ShelfScreen } from '../screens/shelf/ShelfScreen';
import { FirstAccountScreen } from '../screens/sign-in/FirstAccountScreen';
import { SignInScreen } from '../screens/sign-in/SignInScreen';
import { WalkScreen } from '../screens/walk/WalkScreen';
import { BrokenScreen, LostScreen } from './Fallbacks';
import { SignedIn } from './SignedIn';

export const router = createBrowserRouter([
  {
    errorElement: <BrokenScreen />,
    children: [
      { path: '/sign-in', element: <SignInScreen /> },
      { path: '/first-account', element: <FirstAccountScreen /> },
      {
        element: <SignedIn />,
        children: [
          { path: '/', element: <ShelfScreen /> },
          { path: '/series/:id', element: <SeriesScreen /> },
          { path: '/procedures/:id', element: <AuthorScreen /> },
          { path: '/procedures/:id/walk', element: <WalkScreen /> },
          { path: '/procedures/:id/release', element: <ReleaseScreen /> },
          { path: '/jobs', element: <JobsScreen /> },
          { path: '/jobs/:id', element: <BenchScreen /> },
          { path: '/jobs/:id/record', element: <RecordScreen /> },
          { path: '/people', element: <PeopleScreen /> },
          { path: '/settings', element: <SettingsScreen /> },
          { path: '*', element: <LostScreen /> },
        ],
      },
    ],
  },
]);
