type Go = (path: string) => void;
let go: Go = (path) => window.location.assign(path);

/** Dialogs stand outside the router; the router lends them its way of moving once it is there. */
export function lendNavigation(navigate: Go): void {
  go = navigate;
}

export function goTo(path: string): void {
  go(path);
}
