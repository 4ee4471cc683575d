import { Button, Select } from 'antd';
import { useState } from 'react';
import {
  api,
  answered,
  type CrewEntry,
  type CrewPlanView,
  type CrewSettingsEntry,
  type CrewView,
  type Hands,
} from '../../api/client';
import type { FormSpec } from '../../entry/draft';
import { SaveLine } from '../../entry/SaveLine';
import { useEntryForm } from '../../entry/useEntryForm';
import { useKeptSaves } from '../../entry/useKeptSaves';
import { useMay } from '../../people/session';
import { useDays } from '../../words/useDays';
import { useReading } from '../../words/useReading';
import { Pace } from './Pace';
import { useCrewPlanChanges, useMoney } from './useCrewPlan';

const hands: Hands[] = ['lead', 'pruner', 'height', 'chainSaw', 'applicator'];
const weekdays = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'] as const;

/** The crews with their people, hours and days, and what is the same for all. */
export function CrewsSection({ plan }: { plan: CrewPlanView }) {
  const { t } = useReading();
  const may = useMay();
  const [open, setOpen] = useState<string | null>(null);
  return (
    <section className="crews">
      <h2>{t('crews.title')}</h2>
      {plan.crews.map((crew) =>
        open === crew.id ? (
          <CrewForm
            key={crew.id}
            plan={plan}
            crew={crew}
            onDone={() => {
              setOpen(null);
            }}
          />
        ) : (
          <CrewLine
            key={crew.id}
            plan={plan}
            crew={crew}
            onOpen={() => {
              setOpen(crew.id);
            }}
          />
        ),
      )}
      {may('plan') &&
        (open === 'new' ? (
          <CrewForm
            plan={plan}
            crew={null}
            onDone={() => {
              setOpen(null);
            }}
          />
        ) : (
          <Button
            onClick={() => {
              setOpen('new');
            }}
            data-test="add-crew"
          >
            {t('crews.add')}
          </Button>
        ))}
      {may('plan') && <Settings plan={plan} />}
    </section>
  );
}

function CrewLine({ plan, crew, onOpen }: { plan: CrewPlanView; crew: CrewView; onOpen: () => void }) {
  const { t, number, language } = useReading();
  const day = useDays();
  const may = useMay();
  const money = useMoney(plan);
  const { crew: said } = crew;
  useKeptSaves(`crew ${crew.id}`, standingOf(crew));
  const weekday = new Intl.DateTimeFormat(language, { weekday: 'short', timeZone: 'UTC' });
  return (
    <article className="crews-line" data-test={`crew-${said.name}`}>
      <h3>
        {said.name} <span className="dim">{`${crew.people} × ${number(said.hoursPerDay ?? 0)} h`}</span>
      </h3>
      <p className="small">
        {(said.skills ?? [])
          .filter((s) => s !== 'helper')
          .map((s) => t(`hands.${s}`))
          .join(', ')}{' '}
        ·{' '}
        {weekdays
          .filter((d) => crew.weekdays.includes(d))
          .map((d) => weekday.format(dayNamed(d)))
          .join(' ')}{' '}
        · {said.sites?.length ? said.sites.join(', ') : plan.sites.join(', ')}
        {said.wagePerHour != null && ` · ${money(said.wagePerHour)}/h`}
      </p>
      {crew.pace.isLogged && (
        <p>
          {t('crews.pace')} <Pace of={crew.pace} />
        </p>
      )}
      {(said.daysOff?.length ?? 0) > 0 && (
        <p className="small dim">
          {t('crews.days-off')}:{' '}
          {said.daysOff!.map((o) => `${day(o.from!)}${o.to && o.to !== o.from ? ` – ${day(o.to)}` : ''}`).join(', ')}
        </p>
      )}
      {crew.members.length > 0 && (
        <p className="small dim">
          {t('crews.named', { count: crew.members.length })}: {crew.members.join(', ')}
        </p>
      )}
      {may('plan') && (
        <Button size="small" onClick={onOpen}>
          {t('crews.edit')}
        </Button>
      )}
    </article>
  );
}

// 1 February 2027 is a Monday.
const dayNamed = (day: (typeof weekdays)[number]) => new Date(Date.UTC(2027, 1, 1 + weekdays.indexOf(day)));

const crewSpec: FormSpec = {
  name: 'text',
  people: 'number',
  hoursPerDay: 'number',
  overtime: 'number',
  wagePerHour: 'number',
  piecePerTree: 'number',
};

const usualCrew: CrewEntry = {
  name: '',
  people: null,
  skills: ['pruner'],
  weekdays: weekdays.slice(0, 5),
  hoursPerDay: 8,
  daysOff: [],
  sites: [],
  wagePerHour: null,
  piecePerTree: null,
  overtime: null,
  overtimeRate: null,
};

const standingOf = (crew: CrewView): CrewEntry => ({ ...crew.crew, weekdays: crew.weekdays });

function CrewForm({ plan, crew, onDone }: { plan: CrewPlanView; crew: CrewView | null; onDone: () => void }) {
  const { t, language } = useReading();
  const removing = useCrewPlanChanges();
  const [id] = useState(() => crew?.id ?? crypto.randomUUID());
  const version = crew?.version ?? 0;
  const form = useEntryForm<CrewEntry>({
    of: `crew ${id}`,
    section: 'crews',
    spec: crewSpec,
    standing: crew && standingOf(crew),
    usual: usualCrew,
    put: (entry) =>
      answered(api.PUT('/api/v1/crews/{id}', { params: { path: { id } }, body: { version, crew: entry } })),
    onSaved: onDone,
  });
  const { fields, chosen, choose, problem, problemLike } = form;
  const money = plan.currency ?? t('choice.money');
  const pick = (
    label: string,
    options: { value: string; label: string }[],
    value: string[],
    on: (v: string[]) => void,
  ) => (
    <div className="field">
      <label>{label}</label>
      <Select
        mode="multiple"
        aria-label={label}
        options={options}
        value={value}
        onChange={on}
        style={{ width: '100%' }}
      />
    </div>
  );
  const weekday = new Intl.DateTimeFormat(language, { weekday: 'long', timeZone: 'UTC' });
  return (
    <form
      className="crews-form"
      onSubmit={(e) => {
        e.preventDefault();
        form.save();
      }}
    >
      {fields.input('name', [], { numeric: false, label: t('crews.name') })}
      {fields.input('people', [], { label: t('crews.people') })}
      {fields.input('hoursPerDay', ['h'], { label: t('crews.hours') })}
      {fields.input('overtime', ['h'], { label: t('crews.overtime') })}
      {fields.input('wagePerHour', [`${money}/h`], { label: t('crews.wage') })}
      {fields.input('piecePerTree', [`${money}/${t('crews.tree')}`], { label: t('crews.piece') })}
      {pick(
        t('crews.skills'),
        hands.map((h) => ({ value: h, label: t(`hands.${h}`) })),
        (chosen.skills ?? []).filter((s) => s !== 'helper'),
        (skills) => {
          choose({ skills: skills as Hands[] });
        },
      )}
      {pick(
        t('crews.weekdays'),
        weekdays.map((d) => ({ value: d, label: weekday.format(dayNamed(d)) })),
        chosen.weekdays ?? [],
        (days) => {
          choose({ weekdays: days as NonNullable<CrewEntry['weekdays']> });
        },
      )}
      {pick(
        t('crews.sites'),
        plan.sites.map((s) => ({ value: s, label: s })),
        chosen.sites ?? [],
        (sites) => {
          choose({ sites });
        },
      )}
      <div className="field crews-days-off">
        <label>{t('crews.days-off')}</label>
        {(chosen.daysOff ?? []).map((off, i) => (
          <span key={i} className="crews-off">
            {(['from', 'to'] as const).map((end) => (
              <input
                key={end}
                type="date"
                className="crew-date"
                aria-label={t(`crews.${end}`)}
                value={off[end] ?? ''}
                onChange={(e) => {
                  choose({
                    daysOff: chosen.daysOff!.map((o, j) => (j === i ? { ...o, [end]: e.target.value || null } : o)),
                  });
                }}
              />
            ))}
            <Button
              size="small"
              onClick={() => {
                choose({ daysOff: chosen.daysOff!.filter((_, j) => j !== i) });
              }}
            >
              {t('crews.remove')}
            </Button>
          </span>
        ))}
        <Button
          size="small"
          onClick={() => {
            choose({ daysOff: [...(chosen.daysOff ?? []), { from: null, to: null }] });
          }}
        >
          {t('crews.days-off-add')}
        </Button>
        {problemLike(/^daysOff/) && <p className="field-problem">{problemLike(/^daysOff/)}</p>}
      </div>
      <SaveLine of={form} test="save-crew" wrong={problem('sites') ?? removing.failure} onClose={onDone}>
        {crew && (
          <Button
            danger
            disabled={removing.busy}
            onClick={() => void removing.removeCrew(crew.id).then((gone) => gone && onDone())}
          >
            {t('crews.remove')}
          </Button>
        )}
      </SaveLine>
    </form>
  );
}

const settingsSpec: FormSpec = { platforms: 'number', moveHours: 'number' };

/** Platforms and moves. */
function Settings({ plan }: { plan: CrewPlanView }) {
  const { t } = useReading();
  const form = useEntryForm<CrewSettingsEntry>({
    of: 'crew-settings',
    section: 'crew-settings',
    spec: settingsSpec,
    standing: plan.settings,
    put: (settings) =>
      answered(api.PUT('/api/v1/crew-plan/settings', { body: { version: plan.estateVersion, settings } })),
  });
  return (
    <form
      className="crews-form crews-settings"
      onSubmit={(e) => {
        e.preventDefault();
        form.save();
      }}
    >
      <h3>{t('crews.settings')}</h3>
      {form.fields.input('platforms', [], { label: t('crews.platforms') })}
      {form.fields.input('moveHours', ['h'], { label: t('crews.move'), placeholder: '0.5' })}
      <SaveLine of={form} test="save-settings" />
    </form>
  );
}
