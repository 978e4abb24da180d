import { NativeSelect, type NativeSelectProps } from '@mantine/core';
import parts from './parts.module.css';

/** Returns a choice with its label beside it, for a line of text or of buttons. */
export function InlineSelect(props: NativeSelectProps) {
  return <NativeSelect {...props} classNames={{ root: parts.inlineSelect! }} />;
}
