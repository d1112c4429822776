import { type ChangeEvent, useState } from 'react';

/** The required text fields of a small form: their values, and what each input needs. */
export function useFields<Name extends string>(start: Record<Name, string>) {
  const [values, setValues] = useState(start);
  const field = (name: Name) => ({
    value: values[name],
    required: true,
    onChange: (event: ChangeEvent<HTMLInputElement>) => setValues({ ...values, [name]: event.currentTarget.value }),
  });
  return { values, field };
}
