import { createRoot } from 'react-dom/client';
import './ground/i18n';
import './ground/global.css';
import { App } from './app/App';
import { registerWorker } from './background/register';

const root = document.getElementById('root');
if (root) createRoot(root).render(<App />);
window.addEventListener('load', registerWorker);
