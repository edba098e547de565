/** A request's body as a form: files and short texts. */
export function formBody(fields: Record<string, Blob | string>) {
  const form = new FormData();
  for (const [name, value] of Object.entries(fields)) form.append(name, value);
  return { body: form as never, bodySerializer: () => form };
}
