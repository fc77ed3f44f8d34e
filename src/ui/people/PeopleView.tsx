'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Pick as Choose } from '../parts/Pick';
import { TextBox } from '../parts/TextBox';
import { clock, day } from '../parts/when';
import { askDoor } from './askDoor';
import { SeesPick, type StationNamed } from './SeesPick';

const ROLES = [
  ['reader', 'reader: looks and prints'],
  ['installer', 'installer: works, and writes in the book'],
  ['owner', 'owner: works, and says who may come in'],
] as const;
type Role = (typeof ROLES)[number][0];

interface Session {
  readonly id: string;
  readonly since: string;
  readonly until: string;
  readonly address: string | null;
  readonly device: string | null;
}

interface PersonRow {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly since: string;
  /** Stations that a reader is held to; null: he sees all. */
  readonly sees: readonly number[] | null;
  readonly sessions: readonly Session[];
}

interface Props {
  me: string;
  people: readonly PersonRow[];
  stations: readonly StationNamed[];
  tried: readonly { readonly at: number; readonly name: string; readonly address: string }[];
}

/** What a browser calls itself, in a word that a person knows. */
const deviceWords = (agent: string | null): string => {
  if (agent === null) return 'an unknown device';
  const kind = /iphone|android|mobile/i.test(agent)
    ? 'a phone'
    : /ipad|tablet/i.test(agent)
      ? 'a tablet'
      : 'a computer';
  return `${kind}${/firefox/i.test(agent) ? ', Firefox' : /chrom/i.test(agent) ? ', Chromium' : /safari/i.test(agent) ? ', Safari' : ''}`;
};

/** One of us: role, devices that are in, and taking both away. */
interface OneProps {
  person: PersonRow;
  mine: boolean;
  stations: readonly StationNamed[];
  ask(body: unknown): void;
}

function OnePerson({ person, mine, stations, ask }: OneProps) {
  const [sure, setSure] = useState(false);
  // What was ticked stands before the server has answered: the next tick is beside it.
  const [sees, setSees] = useState(person.sees);
  return (
    <Box component="li" sx={{ borderTop: 1, borderColor: 'divider', py: 1.5 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography variant="h3" component="h2" sx={{ flex: 1, minWidth: 140 }}>
          {person.name}
          {mine && ' (you)'}
        </Typography>
        <Choose
          label={`role of ${person.name}`}
          value={person.role}
          choices={ROLES}
          onPick={(role) => ask({ person: person.id, role })}
          sx={{ width: 290, maxWidth: '100%' }}
        />
      </Box>
      <Typography variant="label">since {day(person.since)}</Typography>
      {person.role === 'reader' && (
        <SeesPick
          of={person.name}
          sees={sees}
          stations={stations}
          onSees={(now) => {
            setSees(now);
            ask({ person: person.id, sees: now });
          }}
        />
      )}
      <Box component="ul" aria-label={`devices of ${person.name}`} sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {person.sessions.map((s) => (
          <Box component="li" key={s.id} sx={{ display: 'flex', alignItems: 'center', gap: 1, flexWrap: 'wrap' }}>
            <Typography variant="body2" sx={{ flex: 1, minWidth: 180 }}>
              {deviceWords(s.device)}
              {s.address !== null && `, from ${s.address}`}, in since {clock(s.since)}
            </Typography>
            <Button onClick={() => ask({ end: s.id })} sx={{ minHeight: 44 }}>
              send out
            </Button>
          </Box>
        ))}
        {person.sessions.length === 0 && <Typography variant="body2">no device is in</Typography>}
      </Box>
      <Button
        onClick={() => (sure ? ask({ person: person.id, role: null }) : setSure(true))}
        color={sure ? 'error' : 'primary'}
        sx={{ minHeight: 44 }}
      >
        {sure ? `really take the account of ${person.name} away` : 'take the account away'}
      </Button>
      {sure && (
        <Typography variant="body2">What was written stays, with the name. Every device is sent out.</Typography>
      )}
    </Box>
  );
}

/** Asks somebody in: an address that is good once, to be handed over by a way that nobody else reads. */
function Invite({
  stations,
  ask,
}: Pick<Props, 'stations'> & { ask(body: unknown): Promise<{ word?: string } | null> }) {
  const [role, setRole] = useState<Role>('installer');
  const [sees, setSees] = useState<readonly number[] | null>(null);
  const [address, setAddress] = useState<string | null>(null);
  return (
    <Box component="section" aria-label="ask somebody in" sx={{ display: 'flex', flexDirection: 'column', gap: 1.25 }}>
      <Typography variant="h2">Ask somebody in</Typography>
      <Choose<Role> label="as" value={role} choices={ROLES} onPick={setRole} sx={{ maxWidth: 330 }} />
      {role === 'reader' && <SeesPick of="who comes" sees={sees} stations={stations} onSees={setSees} />}
      <Button
        variant="contained"
        sx={{ alignSelf: 'flex-start', minHeight: 44 }}
        onClick={() =>
          void ask({ invite: role, ...(role === 'reader' && { sees }) }).then(
            (said) => said?.word && setAddress(`${window.location.origin}/join/${said.word}`),
          )
        }
      >
        make an address for them
      </Button>
      {address !== null && (
        <TextBox
          label="good once, for three days"
          value={address}
          readOnly
          onFocus={(e) => e.target.select()}
          help={
            /\/\/(localhost|127\.)/.test(address)
              ? 'Only this machine finds it by that name: open People by the name that their phone knows, and make another there.'
              : 'Whoever has it first makes the account: hand it over so that nobody else reads it.'
          }
        />
      )}
    </Box>
  );
}

/** Who may come in here: roles, devices, invitations, and wrong passphrases of the last day. */
export function PeopleView({ me, people, stations, tried }: Props) {
  const router = useRouter();
  const [told, setTold] = useState<string | null>(null);
  const ask = async (body: unknown) => {
    const answer = await askDoor('/api/people', body);
    setTold(answer.ok ? null : answer.why);
    if (!answer.ok) return null;
    router.refresh();
    return answer.said;
  };
  return (
    <Box
      component="main"
      sx={{ maxWidth: 760, mx: 'auto', p: { xs: 2, md: 4 }, display: 'flex', flexDirection: 'column', gap: 2.5 }}
    >
      <Link href="/">Round</Link>
      <Typography variant="h1">People</Typography>
      {told !== null && (
        <Typography role="alert" variant="body1" sx={{ borderLeft: 3, borderColor: 'error.main', pl: 1 }}>
          {told}
        </Typography>
      )}
      <Box component="ul" aria-label="people" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {people.map((p) => (
          <OnePerson key={p.id} person={p} mine={p.id === me} stations={stations} ask={(body) => void ask(body)} />
        ))}
      </Box>
      <Invite stations={stations} ask={ask} />
      <Box component="section" aria-label="wrong passphrases">
        <Typography variant="h2">Wrong passphrases of the last day</Typography>
        {tried.length === 0 && <Typography variant="body2">none</Typography>}
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {tried.map((t) => (
            <Typography component="li" variant="body2" key={`${t.at} ${t.address}`}>
              {clock(new Date(t.at).toISOString())}: “{t.name}”, from {t.address}
            </Typography>
          ))}
        </Box>
      </Box>
    </Box>
  );
}
