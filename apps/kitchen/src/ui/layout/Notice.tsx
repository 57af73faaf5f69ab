import { say } from '../../reader/say';
import { View } from 'react-native';
import { Action } from '../input/actions';
import { Ticket } from './Ticket';
import { Body, Heading } from '../type';

interface NoticeProps {
  title: string;
  text: string;
  action?: { label: string; onPress: () => void };
}

/** Stands in for a list that is empty or a page that could not be had. */
export function Notice({ title, text, action }: NoticeProps) {
  return (
    <Ticket>
      <View role="status" style={{ gap: 8, paddingVertical: 8 }}>
        <Heading>{title}</Heading>
        <Body tone="soot">{text}</Body>
        {action ? <Action {...action} /> : null}
      </View>
    </Ticket>
  );
}

interface WaitingProps {
  what: string;
  error: Error | null;
  onRetry: () => void;
}

/** While something is fetched, and when that failed. */
export function Waiting({ what, error, onRetry }: WaitingProps) {
  return error ? (
    <Notice
      title={say('Not fetched yet: {what}', { what })}
      text={error.message}
      action={{ label: 'Try again', onPress: onRetry }}
    />
  ) : (
    <Body tone="soot">{say('Fetching {what} …', { what })}</Body>
  );
}
