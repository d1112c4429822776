import { createRoot } from 'react-dom/client';
import './app/i18n';
import './app/global.css';
import { App } from './app/App';

const root = document.getElementById('root');
if (root) createRoot(root).render(<App />);
