/* The styles of every component, for the screens of trainers and for dialogs. */
import '@mantine/core/styles.layer.css';
import '@mantine/notifications/styles.layer.css';
import '@mantine/spotlight/styles.layer.css';
