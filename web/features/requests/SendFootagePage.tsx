import { zodResolver } from '@hookform/resolvers/zod';
import { createRequest } from '@lean-mentor/contract';
import { Film } from 'lucide-react';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { useDispatch } from 'react-redux';
import { useNavigate } from 'react-router';
import type { z } from 'zod';
import { Button, Choice, FaultNote, Field, inputClass } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useAccount } from '../access/index.ts';
import { useCreateRequestMutation } from './api.ts';
import { startUpload } from './uploads.ts';

type Said = z.input<typeof createRequest.body>;

const kinds = [
  { value: 'sparring', words: 'Sparring' },
  { value: 'match', words: 'Match' },
] as const;
const attires = [
  { value: 'jacket', words: 'Jacket' },
  { value: 'no-jacket', words: 'No jacket' },
] as const;

/** A client sends footage: the file, who is who, what it was, and what they want to know. */
export function SendFootagePage() {
  const account = useAccount();
  const clients = account?.clients ?? [];
  const [file, setFile] = useState<File | null>(null);
  const [create, { error, isLoading }] = useCreateRequestMutation();
  const dispatch = useDispatch();
  const navigate = useNavigate();
  const form = useForm<Said, unknown, z.output<typeof createRequest.body>>({
    resolver: zodResolver(createRequest.body),
    defaultValues: { clientId: clients[0]?.id ?? '', fileName: '', byteSize: 0, whoClient: '', whoPartner: '', question: '' },
  });
  const { errors } = form.formState;

  const choose = (chosen: File | undefined): void => {
    if (!chosen) return;
    setFile(chosen);
    const validate = form.formState.isSubmitted;
    form.setValue('fileName', chosen.name.slice(-255), { shouldValidate: validate });
    form.setValue('byteSize', chosen.size, { shouldValidate: validate });
  };
  const send = form.handleSubmit(async (said) => {
    const request = await create(said);
    if (!request.data || !file) return;
    void startUpload(dispatch, request.data.footage.id, file);
    await navigate('/mine');
  });

  return (
    <main className="mx-auto max-w-md py-6">
      <h1 className="mb-6 text-banner">Send footage</h1>
      <form noValidate className="flex flex-col gap-7" onSubmit={(e) => void send(e)}>
        {clients.length > 1 && (
          <Controller
            control={form.control}
            name="clientId"
            render={({ field }) => (
              <Choice
                label="Whose is it?"
                value={field.value}
                onChange={field.onChange}
                options={clients.map(({ id, name }) => ({ value: id, words: name }))}
              />
            )}
          />
        )}
        <Field
          label="The video"
          hint="As your phone recorded it, the whole round."
          fault={file ? errors.byteSize?.message : errors.byteSize && 'Choose the video first.'}
        >
          {(field) => (
            <label className="relative flex min-h-16 items-center gap-3 border border-dashed border-reed bg-linen px-4 py-3 has-focus-visible:outline-2 has-focus-visible:outline-pine">
              <Film size={22} className="shrink-0 text-pine" aria-hidden />
              <span className="min-w-0 grow truncate">{file ? file.name : 'Choose a video'}</span>
              {file && <span className="shrink-0 text-desk text-reed">{(file.size / 1e6).toFixed(1)} MB</span>}
              <input
                {...field}
                type="file"
                accept="video/*"
                className="absolute inset-0 size-full cursor-pointer opacity-0"
                onChange={(e) => choose(e.target.files?.[0])}
              />
            </label>
          )}
        </Field>
        <Field label="Who are you in the picture?" hint="Colours are best: violet top, black leggings." fault={errors.whoClient?.message}>
          {(field) => <input {...field} {...form.register('whoClient')} className={inputClass} autoComplete="off" />}
        </Field>
        <Field label="And the other one?" fault={errors.whoPartner?.message}>
          {(field) => <input {...field} {...form.register('whoPartner')} className={inputClass} autoComplete="off" />}
        </Field>
        <Controller
          control={form.control}
          name="kind"
          render={({ field, fieldState }) => (
            <Choice
              label="What was it?"
              value={field.value}
              options={kinds}
              onChange={field.onChange}
              fault={fieldState.error && 'Choose one.'}
            />
          )}
        />
        <Controller
          control={form.control}
          name="attire"
          render={({ field, fieldState }) => (
            <Choice
              label="With a jacket?"
              value={field.value}
              options={attires}
              onChange={field.onChange}
              fault={fieldState.error && 'Choose one.'}
            />
          )}
        />
        <Field label="What do you want to know?" hint="One question is enough." fault={errors.question?.message}>
          {(field) => <textarea {...field} {...form.register('question')} rows={3} className={inputClass} />}
        </Field>
        {error && <FaultNote>{faultWords(error)}</FaultNote>}
        <Button type="submit" large busy={isLoading}>
          Send
        </Button>
        <p className="text-desk text-reed">
          You can go on using this app while the video is being sent. If it stops, it goes on where it stopped.
        </p>
      </form>
    </main>
  );
}
