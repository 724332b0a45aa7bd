import type { ButtonHTMLAttributes, Ref } from 'react';

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  /** On the dark header, the one primary action, or plain. */
  look?: 'plain' | 'bar' | 'main';
  ref?: Ref<HTMLButtonElement>;
}

export function Button({ look = 'plain', className = '', type = 'button', ...rest }: Props) {
  const looks = { plain: '', bar: 'btn-bar', main: 'btn-main' };
  return <button type={type} className={`btn ${looks[look]} ${className}`} {...rest} />;
}
