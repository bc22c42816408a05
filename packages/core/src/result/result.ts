/** An expected outcome: a value, or an error that names itself by its code. */
export type Result<T, E> = Ok<T> | Err<E>;
export type Ok<T> = { readonly ok: true; readonly value: T };
export type Err<E> = { readonly ok: false; readonly error: E };

export const ok = <T>(value: T): Ok<T> => ({ ok: true, value });
export const err = <E>(error: E): Err<E> => ({ ok: false, error });

/** The value of a result that cannot fail here; a failure is our own bug and throws. */
export function unwrap<T, E>(result: Result<T, E>): T {
  if (result.ok) return result.value;
  throw new Error(`unexpected: ${JSON.stringify(result.error)}`);
}
