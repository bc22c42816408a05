import type { ComponentProps } from 'react';
import { BigFigure } from './words';

type Props = Omit<ComponentProps<typeof BigFigure>, 'children'> & { readonly children: string };

/** A large figure: its thousands stand apart by a sliver, where the font's own space is a digit wide. */
export function BigNumber({ children, ...rest }: Props) {
  const { fontSize, lineHeight, color } = rest;
  const look = {
    ...(fontSize ? { fontSize } : {}),
    ...(lineHeight ? { lineHeight } : {}),
    ...(color ? { color } : {}),
  };
  return (
    <BigFigure {...rest}>
      {children.split(/[\u2009\u202f]/u).map((group, i) => (
        <BigFigure key={i} {...look} marginLeft={i > 0 ? '$2' : 0}>
          {group}
        </BigFigure>
      ))}
    </BigFigure>
  );
}
