import { Component, type ReactNode } from 'react';
import { word } from '../words';
import styles from './parts.module.css';

interface Props {
  /** What the panel shows: where that is another, it is tried again. */
  readonly of?: string;
  readonly children: ReactNode;
}

interface State {
  readonly failed: boolean;
  readonly of: string | undefined;
}

/** Keeps a fault inside its panel: the rest of the page goes on working. */
export class PanelBoundary extends Component<Props, State> {
  override state: State = { failed: false, of: this.props.of };

  static getDerivedStateFromError(): Partial<State> {
    return { failed: true };
  }

  static getDerivedStateFromProps({ of }: Props, state: State): State | null {
    return of === state.of ? null : { failed: false, of };
  }

  override render() {
    if (!this.state.failed) return this.props.children;
    return (
      <div role="alert" className={styles.notice} data-tone="misfit">
        <p>{word('fault.panel')}</p>
        <button type="button" className={styles.plainButton} onClick={() => this.setState({ failed: false })}>
          {word('fault.retry')}
        </button>
      </div>
    );
  }
}
