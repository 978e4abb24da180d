import { useForm, type FormErrors } from '@mantine/form';
import { useCallback, useEffect, useEffectEvent, useRef } from 'react';
import { keepDraft, loadDraft } from './outbox';

/**
 * A form whose texts are kept in this browser while they are typed, so that closing the page or losing it loses
 * nothing.
 * @param key names the draft; it is let go by `drop`
 * @param check says what is wrong with the texts, by field; faults are shown once the form is sent
 */
export function useDraftForm<T extends object>(key: string, initial: T, check?: (texts: T) => FormErrors) {
  const touched = useRef(false);
  const form = useForm<T>({
    mode: 'controlled',
    initialValues: initial,
    validate: (texts) => check?.(texts) ?? {},
    onValuesChange: (texts) => {
      touched.current = true;
      keepDraft(key, texts).catch(() => undefined);
    },
  });
  const { setValues, getValues } = form;

  const takeUp = useEffectEvent((kept: unknown) => {
    if (kept && !touched.current) setValues((texts) => ({ ...texts, ...(kept as Partial<T>) }));
  });
  useEffect(() => {
    loadDraft(key).then(takeUp, () => undefined);
  }, [key]);

  const put = useCallback(
    (change: Partial<T>) => setValues((texts) => ({ ...texts, ...change })),
    [setValues],
  );
  const drop = useCallback(() => keepDraft(key, null).catch(() => undefined), [key]);
  return { form, text: form.values, now: getValues, put, drop };
}
