import { Component, type ReactNode } from 'react';
import { word } from '../words';
import styles from './parts.module.css';

/** Keeps a fault inside its panel: the rest of the page goes on working. */
export class PanelBoundary extends Component<{ readonly children: ReactNode }, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
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
