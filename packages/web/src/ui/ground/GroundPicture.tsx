import type { Mark } from '@stadion/core/play/scene';
import { useEffect, useRef } from 'react';
import { paint, readPalette } from './paint.ts';

interface Props {
  marks: readonly Mark[];
  /** Size of the ground, units. */
  width: number;
  height: number;
  /** Where the stretch that is shown begins, units; 0 when absent. */
  from?: number;
  /** Description of the picture, for screen readers. */
  label: string;
  className?: string;
  /** Fills its box, in place of being as high as its width makes it. */
  fills?: boolean;
}

/** A ground and what stands on it, as large as its box allows. */
export function GroundPicture({ marks, width, height, from = 0, label, className = '', fills = false }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const element = canvas.current;
    const context = element?.getContext('2d');
    if (!element || !context) return;
    const draw = (): void => {
      const across = element.clientWidth * window.devicePixelRatio;
      const down = element.clientHeight * window.devicePixelRatio;
      if (element.width !== across || element.height !== down) {
        element.width = across;
        element.height = down;
      }
      const scale = Math.min(across / width, down / height);
      context.setTransform(1, 0, 0, 1, 0, 0);
      context.clearRect(0, 0, across, down);
      context.save();
      context.translate((across - width * scale) / 2, (down - height * scale) / 2);
      context.beginPath();
      context.rect(0, 0, width * scale, height * scale);
      context.clip();
      context.translate(-from * scale, 0);
      paint(context, marks, scale, readPalette());
      context.restore();
    };
    draw();
    const observer = new ResizeObserver(draw);
    observer.observe(element);
    const theme = window.matchMedia('(prefers-color-scheme: dark)');
    theme.addEventListener('change', draw);
    return () => {
      observer.disconnect();
      theme.removeEventListener('change', draw);
    };
  }, [marks, width, height, from]);
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={label}
      className={fills ? 'absolute inset-0 block size-full' : `block w-full bg-ground ${className}`}
      style={fills ? undefined : { aspectRatio: `${width} / ${height}` }}
    />
  );
}
