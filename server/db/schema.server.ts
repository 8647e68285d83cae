import type { Knex } from "knex";

/**
 * The first schema. Primary keys are `(studio_id, id)` and foreign keys composite, so that no write can reach
 * another studio. Instants are UTC milliseconds, days are DATE, ids BINARY(16), documents JSON.
 */
const FIRST = [
  `create table users (
    id binary(16) not null primary key,
    email varchar(254) not null, display_name varchar(80) not null,
    password_hash varchar(255) not null, created_at bigint not null,
    unique key users_email (email)
  )`,
  `create table studios (
    id binary(16) not null primary key, name varchar(80) not null, created_at bigint not null
  )`,
  `create table memberships (
    studio_id binary(16) not null, user_id binary(16) not null, role enum('owner','coach') not null,
    primary key (studio_id, user_id), key memberships_user (user_id),
    foreign key (studio_id) references studios (id), foreign key (user_id) references users (id)
  )`,
  `create table sign_ins (
    token_hash binary(32) not null primary key,
    studio_id binary(16) not null, user_id binary(16) not null,
    created_at bigint not null, expires_at bigint not null,
    foreign key (studio_id, user_id) references memberships (studio_id, user_id)
  )`,
  `create table failed_sign_ins (
    id binary(16) not null primary key, subject_hash binary(32) not null, at bigint not null,
    key failed_sign_ins_subject (subject_hash, at)
  )`,
  `create table people (
    studio_id binary(16) not null, id binary(16) not null,
    name varchar(80) not null, goal varchar(300) not null, level enum('beginner','trained','advanced') not null,
    unit enum('kg','lb') not null, notes text not null, revision int not null,
    created_at bigint not null, changed_at bigint not null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), foreign key (studio_id) references studios (id)
  )`,
  `create table erased_people (
    studio_id binary(16) not null, id binary(16) not null, erased_at bigint not null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), foreign key (studio_id) references studios (id)
  )`,
  `create table erased_runs (
    studio_id binary(16) not null, id binary(16) not null, erased_at bigint not null,
    primary key (studio_id, id), foreign key (studio_id) references studios (id)
  )`,
  `create table gyms (
    studio_id binary(16) not null, id binary(16) not null,
    name varchar(80) not null, time_zone varchar(64) not null, house_rules text not null,
    revision int not null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null, changed_at bigint not null,
    primary key (studio_id, id), foreign key (studio_id) references studios (id)
  )`,
  `create table briefs (
    studio_id binary(16) not null, id binary(16) not null, person_id binary(16) not null,
    revision int not null, document json not null, created_at bigint not null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), unique key briefs_revision (studio_id, person_id, revision),
    foreign key (studio_id, person_id) references people (studio_id, id) on delete cascade
  )`,
  `create table measurements (
    studio_id binary(16) not null, id binary(16) not null, person_id binary(16) not null,
    day date not null, kind enum('bodyWeight','calf','thigh','hip','waist','readiness') not null,
    side enum('both','left','right') not null, value_thousandths int not null,
    unit enum('kg','lb','cm','ofFive') not null, note varchar(300) not null, created_at bigint not null,
    removed_at bigint null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), key measurements_person (studio_id, person_id, kind, day),
    foreign key (studio_id, person_id) references people (studio_id, id) on delete cascade
  )`,
  `create table movements (
    studio_id binary(16) not null, id binary(16) not null, copied_from varchar(80) null,
    document json not null, revision int not null, changed_at bigint not null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), foreign key (studio_id) references studios (id)
  )`,
  `create table approaches (
    studio_id binary(16) not null, id binary(16) not null, copied_from varchar(60) not null,
    document json not null, revision int not null, changed_at bigint not null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), foreign key (studio_id) references studios (id)
  )`,
  `create table stations (
    studio_id binary(16) not null, id binary(16) not null, gym_id binary(16) not null,
    version_id binary(16) not null, version int not null, removed_at bigint null,
    primary key (studio_id, id), key stations_gym (studio_id, gym_id),
    foreign key (studio_id, gym_id) references gyms (studio_id, id)
  )`,
  `create table station_versions (
    studio_id binary(16) not null, id binary(16) not null, station_id binary(16) not null,
    version int not null, name varchar(80) not null, loading json not null, serves json not null,
    profile varchar(12) null, usually_busy tinyint not null,
    created_at bigint not null, actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), unique key station_versions_number (studio_id, station_id, version),
    foreign key (studio_id, station_id) references stations (studio_id, id)
  )`,
  `create table templates (
    studio_id binary(16) not null, id binary(16) not null, name varchar(80) not null,
    document json not null, created_at bigint not null, removed_at bigint null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), foreign key (studio_id) references studios (id)
  )`,
  `create table plans (
    studio_id binary(16) not null, id binary(16) not null, person_id binary(16) not null,
    gym_id binary(16) not null, day date not null, start_time char(5) null,
    title varchar(80) not null, revision int not null, revision_id binary(16) not null,
    planned_from_run binary(16) null, created_at bigint not null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), key plans_day (studio_id, day), key plans_person (studio_id, person_id, day),
    foreign key (studio_id, person_id) references people (studio_id, id),
    foreign key (studio_id, gym_id) references gyms (studio_id, id)
  )`,
  `create table plan_revisions (
    studio_id binary(16) not null, id binary(16) not null, plan_id binary(16) not null,
    number int not null, document json not null, created_at bigint not null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), unique key plan_revisions_number (studio_id, plan_id, number),
    foreign key (studio_id, plan_id) references plans (studio_id, id) on delete cascade
  )`,
  `create table dismissals (
    studio_id binary(16) not null, id binary(16) not null, plan_id binary(16) not null,
    finding_key varchar(200) not null, fact json not null, reason varchar(500) not null,
    created_at bigint not null, withdrawn_at bigint null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), key dismissals_plan (studio_id, plan_id),
    foreign key (studio_id, plan_id) references plans (studio_id, id) on delete cascade
  )`,
  `create table runs (
    studio_id binary(16) not null, id binary(16) not null, plan_id binary(16) not null,
    revision_id binary(16) not null, person_id binary(16) not null,
    started_at bigint not null, ended_at bigint null, settled_at bigint null,
    last_position int not null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), unique key runs_plan (studio_id, plan_id),
    key runs_person (studio_id, person_id, started_at),
    foreign key (studio_id, plan_id) references plans (studio_id, id),
    foreign key (studio_id, revision_id) references plan_revisions (studio_id, id),
    foreign key (studio_id, person_id) references people (studio_id, id)
  )`,
  `create table commands (
    studio_id binary(16) not null, id binary(16) not null, run_id binary(16) not null,
    device_id binary(16) not null, seq int not null, position int not null, parent_id binary(16) null,
    device_at bigint not null, received_at bigint not null, body json not null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id),
    unique key commands_position (studio_id, run_id, position),
    unique key commands_seq (studio_id, run_id, device_id, seq),
    foreign key (studio_id, run_id) references runs (studio_id, id),
    foreign key (studio_id, parent_id) references commands (studio_id, id)
  )`,
  `create table performed_exercises (
    studio_id binary(16) not null, id binary(16) not null, run_id binary(16) not null,
    slot_id binary(16) not null, line_id binary(16) not null,
    movement varchar(80) not null, station_id binary(16) not null, station_version_id binary(16) not null,
    set_up json not null, tempo json not null, rest_milliseconds bigint null, hard_sets_before int not null,
    gear json null, helper enum('alone','partner','spotter','unknown') not null,
    body_weight_thousandths int null, body_weight_unit enum('kg','lb') null,
    superseded_by binary(16) null,
    primary key (studio_id, id), key performed_exercises_run (studio_id, run_id),
    foreign key (studio_id, id) references commands (studio_id, id),
    foreign key (studio_id, run_id) references runs (studio_id, id),
    foreign key (studio_id, station_version_id) references station_versions (studio_id, id)
  )`,
  `create table performed_parts (
    studio_id binary(16) not null, id binary(16) not null, command_id binary(16) not null,
    run_id binary(16) not null, revision_id binary(16) not null, slot_id binary(16) not null,
    set_id binary(16) null, extension_id binary(16) null, round int not null, ordinal int not null,
    side enum('both','left','right') not null, station_version_id binary(16) not null,
    reading_thousandths int null, reading_unit enum('kg','lb') null, plates_hung json null,
    full_reps int null, partial_reps int null, forced_reps int null, milliseconds bigint null, steps int null,
    metres int null,
    rir varchar(8) not null, limiter varchar(24) null, note text not null, tombstoned_by binary(16) null,
    primary key (studio_id, id), key performed_parts_run (studio_id, run_id),
    unique key performed_parts_command (studio_id, command_id),
    foreign key (studio_id, command_id) references commands (studio_id, id),
    foreign key (studio_id, run_id) references runs (studio_id, id),
    foreign key (studio_id, revision_id) references plan_revisions (studio_id, id),
    foreign key (studio_id, station_version_id) references station_versions (studio_id, id)
  )`,
  `create table pains (
    studio_id binary(16) not null, id binary(16) not null, command_id binary(16) not null,
    run_id binary(16) not null, slot_id binary(16) not null, part_key varchar(160) null,
    joint varchar(24) not null, side enum('both','left','right') not null, score int not null,
    note text not null, superseded_by binary(16) null,
    primary key (studio_id, command_id), key pains_run (studio_id, run_id),
    foreign key (studio_id, command_id) references commands (studio_id, id),
    foreign key (studio_id, run_id) references runs (studio_id, id)
  )`,
  `create table rulings (
    studio_id binary(16) not null, id binary(16) not null, run_id binary(16) not null,
    person_id binary(16) not null, slot_id binary(16) not null, line_id binary(16) not null,
    proposal json not null, decision enum('accepted','overruled') not null, chosen json null,
    reason varchar(500) not null, created_at bigint not null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), unique key rulings_slot (studio_id, run_id, slot_id),
    foreign key (studio_id, run_id) references runs (studio_id, id),
    foreign key (studio_id, person_id) references people (studio_id, id)
  )`,
  `create table demo_seed (
    studio_id binary(16) not null primary key, anchor_day date not null,
    foreign key (studio_id) references studios (id)
  )`,
];

/** How a studio estimates strength, a row for each saved state. */
const STRENGTH_RULES = [
  `create table strength_rules (
    studio_id binary(16) not null, id binary(16) not null, revision int not null,
    document json not null, created_at bigint not null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), unique key strength_rules_revision (studio_id, revision),
    foreign key (studio_id) references studios (id)
  )`,
];

/** Templates can be changed by several coaches. */
const TEMPLATE_REVISIONS = [
  `alter table templates add column revision int not null default 1,
    add column changed_at bigint null`,
];

/** Devices on which somebody signed in before: a stranger's wrong passwords do not keep them out. */
const KNOWN_DEVICES = [
  `create table known_devices (
    user_id binary(16) not null, token_hash binary(32) not null, last_at bigint not null,
    primary key (user_id, token_hash), foreign key (user_id) references users (id)
  )`,
];

/** Corrections after a session was ruled on: up to where the log had been read, and each ruling kept. */
const CORRECTIONS = [
  `alter table runs add column settled_position int null`,
  `update runs set settled_position = last_position where settled_at is not null`,
  `alter table rulings add column log_position int not null default 0,
    drop key rulings_slot, add key rulings_slot (studio_id, run_id, slot_id)`,
];

/** A ruling is on a line of an exercise; one from before was on all of them, and names none. */
const LINES = ["alter table rulings add column on_line binary(16) null after line_id"];

/** What a studio adds to the set-up of an exercise, built in or its own. */
const OWN_SET_UPS = [
  `create table own_set_ups (
    studio_id binary(16) not null, id binary(16) not null, movement varchar(80) not null,
    revision int not null, document json not null, changed_at bigint not null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), unique key own_set_ups_movement (studio_id, movement),
    foreign key (studio_id) references studios (id)
  )`,
];

/** Under what conditions a set was done, and what was seen and felt in it; null where nobody said anything. */
const CONDITIONS = [
  "alter table performed_parts add column conditions json null, add column observed json null",
  "alter table measurements add column command_id binary(16) null",
];

/** What a coach said does not matter when sessions are compared; taken back, the row stays. */
const COMPARING = [
  `create table comparing (
    studio_id binary(16) not null, id binary(16) not null,
    person_id binary(16) null, movement varchar(80) not null, station_id binary(16) null,
    condition_name varchar(30) not null, parameter varchar(60) null, reason varchar(500) not null,
    created_at bigint not null, withdrawn_at bigint null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), key comparing_movement (studio_id, movement),
    foreign key (studio_id) references studios (id),
    foreign key (studio_id, person_id) references people (studio_id, id),
    foreign key (studio_id, station_id) references stations (studio_id, id)
  )`,
];

/**
 * Phases with their revisions. A plan that a phase made real says which day and week of it it is, and as what the
 * rules had it; each stands once.
 */
const PHASES = [
  `create table phases (
    studio_id binary(16) not null, id binary(16) not null, person_id binary(16) not null,
    name varchar(80) not null, starts date not null, ends date not null,
    revision int not null, created_at bigint not null, removed_at bigint null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), key phases_person (studio_id, person_id, starts),
    key phases_days (studio_id, starts, ends),
    foreign key (studio_id, person_id) references people (studio_id, id)
  )`,
  `create table phase_revisions (
    studio_id binary(16) not null, id binary(16) not null, phase_id binary(16) not null,
    number int not null, document json not null, created_at bigint not null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), unique key phase_revisions_number (studio_id, phase_id, number),
    foreign key (studio_id, phase_id) references phases (studio_id, id)
  )`,
  `alter table plans
    add column phase_id binary(16) null, add column phase_day binary(16) null,
    add column phase_week int null, add column phase_revision int null,
    add column placed_revision int null, add column ruled json null,
    add column training_week json null,
    add unique key plans_phase (studio_id, phase_id, phase_day, phase_week),
    add foreign key (studio_id, phase_id) references phases (studio_id, id)`,
];

/**
 * What waits for the coach, a row a line of an ended session, worked out up to a position of its log by one version of
 * the engine; what was put off until a day; sessions that nobody will train. Whether a session is open is a column, so
 * that it has an index.
 */
const TODAY = [
  `create table waiting (
    studio_id binary(16) not null, id binary(16) not null, person_id binary(16) not null,
    run_id binary(16) not null, subject varchar(90) not null, facts json not null,
    log_position int not null, engine int not null, ruling_id binary(16) null, created_at bigint not null,
    primary key (studio_id, id), unique key waiting_subject (studio_id, run_id, subject),
    key waiting_open (studio_id, ruling_id),
    foreign key (studio_id, person_id) references people (studio_id, id),
    foreign key (studio_id, run_id) references runs (studio_id, id)
  )`,
  `create table put_off (
    studio_id binary(16) not null, id binary(16) not null, person_id binary(16) not null,
    subject varchar(140) not null, until_day date not null, created_at bigint not null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), unique key put_off_subject (studio_id, subject),
    key put_off_until (studio_id, until_day),
    foreign key (studio_id, person_id) references people (studio_id, id)
  )`,
  `alter table runs
    add column waiting_position int null, add column waiting_engine int null,
    add column is_open tinyint as (
      settled_at is null or ended_at is null or last_position > coalesce(settled_position, 0)
    ) persistent,
    add key runs_open (studio_id, is_open)`,
  `alter table plans add column dropped_at bigint null,
    add key plans_from (studio_id, planned_from_run)`,
  `alter table rulings add column way varchar(30) null,
    modify decision enum('accepted','overruled','withdrawn') not null`,
];

/**
 * What a revision of a phase did to the one before: its edits, and the event that they answer, or which revision it
 * takes back. Events of the season, of one client or of everybody.
 */
const SEASON = [
  `alter table phase_revisions add column edits json null, add column event json null,
    add column takes_back int null`,
  `create table events (
    studio_id binary(16) not null, id binary(16) not null, person_id binary(16) null,
    kind enum('show','test','holiday','travel','other') not null, name varchar(80) not null,
    starts date not null, ends date not null, gym_id binary(16) null,
    revision int not null, created_at bigint not null, removed_at bigint null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), key events_days (studio_id, starts, ends),
    foreign key (studio_id, person_id) references people (studio_id, id),
    foreign key (studio_id, gym_id) references gyms (studio_id, id)
  )`,
];

/** Where in a gym a station stands; and a finding that is left to another day. */
const ROOMS = [
  "alter table station_versions add column room varchar(60) not null default ''",
  "alter table dismissals add column left_to date null",
];

/** What goes wrong over weeks of a client, as it was worked out when the last session ended. */
const WARNINGS = [
  `create table warnings (
    studio_id binary(16) not null, id binary(16) not null, person_id binary(16) not null,
    subject varchar(140) not null, facts json not null, created_at bigint not null,
    primary key (studio_id, id), unique key warnings_subject (studio_id, person_id, subject),
    foreign key (studio_id, person_id) references people (studio_id, id)
  )`,
];

/** A phase that a studio keeps to begin others from. */
const PHASE_TEMPLATES = [
  `create table phase_templates (
    studio_id binary(16) not null, id binary(16) not null, name varchar(80) not null,
    document json not null, created_at bigint not null, removed_at bigint null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), foreign key (studio_id) references studios (id)
  )`,
];

/** Whose client somebody is, null for everybody's; and whether Today shows a coach their own alone. */
const COACHES = [
  `alter table people add column coach_id binary(16) null,
    add foreign key (studio_id, coach_id) references memberships (studio_id, user_id)`,
  "alter table memberships add column sees_mine tinyint(1) not null default 0",
];

/** What a studio sets for all of its coaches. */
const STUDIO_SETTINGS = [
  `create table studio_settings (
    studio_id binary(16) not null, document json not null, changed_at bigint not null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null, primary key (studio_id), foreign key (studio_id) references studios (id)
  )`,
];

/** Loads that nobody has looked at yet. */
const ASSUMED_LOADS = [
  "alter table station_versions add column assumed tinyint(1) not null default 0",
];

/** Clients who train no more, or not now. */
const ARCHIVED_CLIENTS = ["alter table people add column archived_at bigint null"];

/** Links that open something for a while, where sign-ins are, and coaches who left. */
const ACCOUNTS = [
  `create table grants (
    studio_id binary(16) not null, id binary(16) not null,
    token_hash binary(32) not null, kind varchar(20) not null, subject_id binary(16) null,
    created_at bigint not null, expires_at bigint not null, used_at bigint null, revoked_at bigint null,
    actor_kind enum('user','link','system') not null, actor_id binary(16) null,
    primary key (studio_id, id), unique key grants_token (token_hash),
    foreign key (studio_id) references studios (id)
  )`,
  "alter table sign_ins add column device varchar(60) not null default ''",
  "alter table memberships add column left_at bigint null",
];

/** Sessions that were started and will not be trained; what was logged of them stays. Gyms that are used no more. */
const DISCARDED = [
  "alter table runs add column discarded_at bigint null",
  "alter table gyms add column archived_at bigint null",
];

/** How the strength of a client goes, worked out with what their weeks warn of, for the list of clients. */
const STRENGTH_TREND = [
  "alter table people add column trend_share double null, add column trend_exercises int null, add column trend_weeks int null",
];

/** Migrations by name, in order. A landed one is never edited; the next is appended. */
const MIGRATIONS: readonly { readonly name: string; readonly statements: readonly string[] }[] = [
  { name: "001-foundation", statements: FIRST },
  { name: "002-strength-rules", statements: STRENGTH_RULES },
  { name: "003-template-revisions", statements: TEMPLATE_REVISIONS },
  { name: "004-known-devices", statements: KNOWN_DEVICES },
  { name: "005-corrections", statements: CORRECTIONS },
  { name: "006-lines", statements: LINES },
  { name: "007-own-set-ups", statements: OWN_SET_UPS },
  { name: "008-conditions", statements: CONDITIONS },
  { name: "009-comparing", statements: COMPARING },
  { name: "010-phases", statements: PHASES },
  { name: "011-today", statements: TODAY },
  { name: "012-season", statements: SEASON },
  { name: "013-rooms", statements: ROOMS },
  { name: "014-warnings", statements: WARNINGS },
  { name: "015-phase-templates", statements: PHASE_TEMPLATES },
  { name: "016-coaches", statements: COACHES },
  { name: "017-studio-settings", statements: STUDIO_SETTINGS },
  { name: "018-assumed-loads", statements: ASSUMED_LOADS },
  { name: "019-archived-clients", statements: ARCHIVED_CLIENTS },
  { name: "020-accounts", statements: ACCOUNTS },
  { name: "021-discarded", statements: DISCARDED },
  { name: "022-strength-trend", statements: STRENGTH_TREND },
];

const source: Knex.MigrationSource<(typeof MIGRATIONS)[number]> = {
  getMigrations: () => Promise.resolve([...MIGRATIONS]),
  getMigrationName: (migration) => migration.name,
  getMigration: (migration) =>
    Promise.resolve({
      up: async (db: Knex) => {
        for (const statement of migration.statements) await db.raw(statement);
      },
      down: () => Promise.reject(new Error("Kravo migrates forward only")),
    }),
};

/** Brings the schema up to date. Safe to run twice, and by two processes (Knex locks). */
export async function migrate(db: Knex): Promise<void> {
  await db.migrate.latest({ migrationSource: source });
}

/** True when no migration is waiting. */
export async function isMigrated(db: Knex): Promise<boolean> {
  const [, waiting] = (await db.migrate.list({ migrationSource: source })) as [unknown, unknown[]];
  return waiting.length === 0;
}
