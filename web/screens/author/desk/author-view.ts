import { create } from 'zustand';

/** What the author screen shows beside the document: nothing here is saved or undone. */
interface AuthorView {
  /** The step the pointer is over. */
  readonly hovered: string | null;
  /** Where the run of steps begins that ends with the one in hand. */
  readonly runFrom: string | null;
  /** The finding gone to last. */
  readonly finding: string | null;
  /** The finding whose acceptance is being written. */
  readonly accepting: string | null;
  readonly searching: boolean;
  /** Whether the step offers every field, or those that such a step usually has. */
  readonly allFields: boolean;
  /** The step in hand when the slider went to the bare bench; with another step in hand it is over. */
  readonly bareFrom: string | null | undefined;
  readonly dialog: 'keys' | 'about' | 'supplies' | 'tools' | 'print' | 'parts' | null;
}

export const useAuthorView = create<AuthorView>(() => ({
  hovered: null,
  runFrom: null,
  finding: null,
  accepting: null,
  searching: false,
  allFields: false,
  bareFrom: undefined,
  dialog: null,
}));
