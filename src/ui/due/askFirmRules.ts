import * as z from 'zod';
import { ruleSchema, type Rule } from '@/core/book';
import { forFirm } from '../outbox/ofFirm';
import { ask, wentWrong } from '../parts/ask';

const answerSchema = z.object({
  rules: z.array(z.object({ id: z.number(), keptAt: z.string(), by: z.string(), rule: ruleSchema })),
});
export type FirmRuleShown = z.infer<typeof answerSchema>['rules'][number];

/** The rules of the firm; null where the server does not say. */
export async function askFirmRules(): Promise<readonly FirmRuleShown[] | null> {
  const answer = await ask('/api/firm/rules', answerSchema);
  return answer.ok ? answer.value.rules : null;
}

/** A rule that is written, or one that is ended. */
export type RuleSent = { readonly rule: Rule } | { readonly ends: number };

/** Writes a rule of the firm, or ends one; `rules` null: it is kept on this device only, until it is sent. Never throws. */
export async function sendFirmRule(
  by: string,
  what: RuleSent,
): Promise<{ ok: true; rules: readonly FirmRuleShown[] | null } | { ok: false; why: string }> {
  const answer = await forFirm(
    'rule' in what ? `rule of the firm: ${what.rule.what}` : 'rule of the firm: ended',
    { url: '/api/firm/rules', method: 'POST', body: { by, ...what } },
    answerSchema,
  );
  if (answer.ok === 'kept') return { ok: true, rules: null };
  return answer.ok ? { ok: true, rules: answer.value.rules } : { ok: false, why: wentWrong(answer) };
}
