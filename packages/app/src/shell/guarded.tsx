import { Component, type ReactNode } from 'react';
import { ScreenBroke } from './screen-broke';

type Props = { readonly children: ReactNode };
type State = { readonly error: Error | undefined };

/** Whatever breaks in a screen ends here, and not in a blank page; React wants a class for it. */
export class Guarded extends Component<Props, State> {
  override state: State = { error: undefined };

  static getDerivedStateFromError = (error: Error): State => ({ error });

  override render(): ReactNode {
    const { error } = this.state;
    if (!error) return this.props.children;
    return <ScreenBroke error={error} onRetry={() => this.setState({ error: undefined })} />;
  }
}
