import type { AnchorHTMLAttributes, ButtonHTMLAttributes, Ref } from 'react';

export type ButtonLook = 'primary' | 'secondary' | 'outline' | 'ghost' | 'error' | 'plain';
/** Height: as a field, for a thumb, for a thumb that does not look. */
export type ButtonSize = 'm' | 'l' | 'xl';

interface Looks {
  look?: ButtonLook;
  size?: ButtonSize;
  /** As wide as high, for a picture. */
  square?: boolean;
  /** Takes something away. */
  danger?: boolean;
}

const LOOK: Record<ButtonLook, string> = {
  primary: 'btn-primary',
  secondary: 'btn-secondary',
  outline: 'btn-outline',
  ghost: 'btn-ghost',
  error: 'btn-error',
  plain: '',
};
const SIZE: Record<ButtonSize, string> = { m: 'min-h-11', l: 'min-h-12 text-base', xl: 'min-h-14 text-lg' };

/** Classes of a button, for what looks like one and is none: the summary of a `details`. */
export const buttonClass = ({ look = 'outline', size = 'm', square = false, danger = false }: Looks, className = ''): string =>
  ['btn', LOOK[look], SIZE[size], square && 'btn-square', danger && 'border-error text-error', className].filter(Boolean).join(' ');

type Props = Looks &
  (
    | (AnchorHTMLAttributes<HTMLAnchorElement> & { href: string; ref?: Ref<HTMLAnchorElement> })
    | (ButtonHTMLAttributes<HTMLButtonElement> & { href?: undefined; ref?: Ref<HTMLButtonElement> })
  );

/** A button; with an address, a link that looks like one. */
export function Button({ look, size, square, danger, className, ...rest }: Props) {
  const classes = buttonClass(
    { ...(look && { look }), ...(size && { size }), ...(square && { square }), ...(danger && { danger }) },
    className,
  );
  if (rest.href !== undefined) return <a {...rest} className={classes} />;
  return <button type="button" {...rest} className={classes} />;
}
