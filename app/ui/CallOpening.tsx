import type { ReactNode } from 'react';
import { Notice } from './Notice';

interface Props {
  failed: boolean;
  /** What is being done while it has not failed. */
  doing?: string;
  /** The way out of a failure that the screen offers, besides coming back later. */
  children?: ReactNode;
}

/** What a screen of a call shows while it opens, and when the call could not be read. */
export const CallOpening = ({ failed, doing = 'Reading the call', children }: Props) =>
  failed ? (
    <Notice
      icon="wifi-off"
      title="The call could not be read"
      text="It is not on this device, and the server does not have it or is away."
      testID="failed"
    >
      {children}
    </Notice>
  ) : (
    <Notice icon="loader" title={doing} testID="loading" />
  );
