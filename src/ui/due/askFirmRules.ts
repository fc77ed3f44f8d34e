import * as z from 'zod';
import { ruleSchema, type Rule } from '@/core/book';
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

/** Writes a rule of the firm, or ends one. Never throws. */
export async function sendFirmRule(
  by: string,
  what: RuleSent,
): Promise<{ ok: true; rules: readonly FirmRuleShown[] } | { ok: false; why: string }> {
  const answer = await ask('/api/firm/rules', answerSchema, { method: 'POST', body: JSON.stringify({ by, ...what }) });
  return answer.ok ? { ok: true, rules: answer.value.rules } : { ok: false, why: wentWrong(answer) };
}
