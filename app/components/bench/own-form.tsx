/**
 * A form for one field. Whenever the cursor moves in a field the browser reads, for what it could fill in,
 * every field of the form that it belongs to, and all fields outside of forms count as one: on a bench that
 * takes longer than everything a letter means.
 */
export function OwnForm({
  className,
  children,
  ...rest
}: Omit<React.ComponentProps<"form">, "onSubmit">) {
  return (
    <form className={className} onSubmit={(event) => event.preventDefault()} {...rest}>
      {children}
    </form>
  );
}
