import { Button, PasswordInput } from '@mantine/core';
import { useState, type SubmitEvent } from 'react';
import { api, explain } from '../../ui/client';
import { destinationOf } from '../../ui/destination';
import { fieldText } from '../../ui/form';
import { Providers } from '../../ui/Providers';
import { DEFAULT_READING, word } from '../../words';
import styles from './sign-in.module.css';

/** The passphrase of the practice, asked once a session. */
export default function SignInPage() {
  const [fault, setFault] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const signIn = async (event: SubmitEvent<HTMLFormElement>) => {
    event.preventDefault();
    const passphrase = fieldText(new FormData(event.currentTarget), 'passphrase');
    if (passphrase === '') return setFault(word('signIn.missing'));
    setBusy(true);
    try {
      await api.signIn(passphrase);
      window.location.href = destinationOf(window.location.href);
    } catch (error) {
      setBusy(false);
      setFault(explain(error));
    }
  };
  return (
    <Providers reading={DEFAULT_READING}>
      <main className={styles.page}>
        <form className={styles.form} onSubmit={(e) => void signIn(e)} noValidate>
          <h1>{word('app.name')}</h1>
          <p>{word('signIn.why')}</p>
          <PasswordInput
            name="passphrase"
            label={word('signIn.passphrase')}
            autoComplete="current-password"
            autoFocus
            error={fault}
            visibilityToggleButtonProps={{ 'aria-label': word('signIn.show') }}
          />
          <Button type="submit" loading={busy}>
            {word('signIn.go')}
          </Button>
        </form>
      </main>
    </Providers>
  );
}
