/** A line to learn from, and what it says. */
export interface Example {
  readonly line: string;
  readonly says: string;
}

export interface Lesson {
  readonly title: string;
  readonly says: string;
  readonly examples: readonly Example[];
}

/** The notation in the order in which it is learned; every line is read by a test. */
export const LESSONS: readonly Lesson[] = [
  {
    title: "Sets and reps",
    says: "A number of sets, an x, then what to do. A semicolon or a new line begins the next sets.",
    examples: [
      { line: "3 x 8-12", says: "three sets of eight to twelve" },
      { line: "2 x 10; max least 6", says: "two of ten, then as many as come, six at least" },
      {
        line: "warm-up 10 at 40; warm-up 6 at 60; top 5 at 80",
        says: "two rising sets and a top set",
      },
      { line: "40 s; 20 steps each; 30 m out and back", says: "time, steps, distance" },
      { line: "total 60 reps in 4 sets pause 30 s", says: "a total over several sets" },
      { line: "intervals 8 x 20 s pause 40 s", says: "work and pause, in rounds" },
      {
        line: "until knees-cave about 15; burn plus 10",
        says: "until form breaks; ten after the burn",
      },
      { line: "8-12 until depth-cut", says: "a range, and a stop where form breaks first" },
      { line: "3 x 12 range stretched", says: "short-range reps at the stretched end" },
    ],
  },
  {
    title: "The load",
    says: "Behind “at”. Without a unit it is the equipment’s own; a load left out is found on the day.",
    examples: [
      { line: "3 x 8 at 82.5", says: "the load as read on the equipment" },
      {
        line: "top 5 at 100; back-off 2 x 8 at 80% of set 1",
        says: "a percentage of an earlier set",
      },
      {
        line: '3 x 8 at 60% of "Leg press"; 3 x 5 at 75% of max',
        says: "of another lift; of the estimated 1RM",
      },
      { line: "3 x 8-12 at last plus 1", says: "last time and a step up" },
      { line: "3 x 6-8 at effort RIR 2", says: "what reps and RIR allow" },
      { line: "10 at 90; 3 x 10 at before minus 1 rest 20 s", says: "running down the stack" },
      {
        line: "3 x 6 at body plus 10 kg; 8 at body minus 20 kg",
        says: "body weight and more, or less",
      },
      {
        line: "work-up 5 at trial 60 kg up 2 tries 3",
        says: "feeler sets until the load is found",
      },
      { line: "8 at 100 kg else 100 kg else 95 kg", says: "if it falls short: again, then down" },
      {
        line: "5 at 100; 8 at before minus 10 kg; 8 at before minus 2.5 kg per side; 8 at as before",
        says: "so much less than the set before, in all or per side; the same again",
      },
      {
        line: "8 at last plus 1 plates of 5 kg; 12 at before minus 1 plates",
        says: "plates per side more or less; the outermost where no size is said",
      },
      {
        line: "8 at 140; 20 at 50% of plates of set 1",
        says: "half the plates, whatever the bar or sled weighs",
      },
      {
        line: "3 x 8 at 70-75% of max; 10 x 6 at 60% of usual 10",
        says: "a range; a percentage of the usual load for ten",
      },
    ],
  },
  {
    title: "How hard, how slow, how long to rest",
    says: "In any order behind the load. “all …:” in front says it once for every set.",
    examples: [
      { line: "3 x 8-12 RIR 2 rest 2:00", says: "RIR 2, two minutes" },
      { line: "2 x 10 RIR 1.5; 10 beyond failure", says: "the last one beyond failure" },
      { line: "3 x 8 RIR 1-3", says: "RIR 1 to 3" },
      {
        line: "2 x 8 at last plus 1 at most 60 kg; 8 at 80% of set 1 at least 40 kg",
        says: "loads held, whatever the rule comes to",
      },
      { line: "8 lower 4; 8 tempo as set 1", says: "the tempo of a set before" },
      { line: '2 x 5 at 100; 3 x 5 at 120 wear "belt"', says: "a belt from set 3 on" },
      { line: "all tempo lower 3 squeeze 1 lift fast: 2 x 10; 15", says: "tempo by its phases" },
      { line: "8 tempo 3-1-X-0", says: "the same in four numbers, X for fast" },
      {
        line: "10 dead stop 1 s last rep lower 8 s",
        says: "a dead stop each rep, the last one slow",
      },
      {
        line: "8 rest 1:30-2:00; 8 rest most 1:00; 8 rest breath; 8 rest heart below 120",
        says: "a range, a ceiling, by recovery",
      },
      {
        line: "3 x 10 left then right matched",
        says: "one side, then the other, no more than the first",
      },
      {
        line: 'all alternating: 12 with "Stance" "wide"; 12 optional',
        says: "another stance; an optional set",
      },
      {
        line: '12 rest 2:00 between stretch "Couch stretch" 30 s left then right',
        says: "a stretch in the rest",
      },
    ],
  },
  {
    title: "In short",
    says: "The usual shorthand is read too, and written out in full when you leave the line.",
    examples: [
      { line: "10,8,6 at 60 kg", says: "three sets: ten, eight, six" },
      { line: "3x8x82.5 @RPE 8", says: "the load behind a second x; RPE 8 is RIR 2" },
      { line: "5x5 80%", says: "a percentage of the estimated 1RM" },
      { line: "3x12/leg, 90s rest", says: "one leg, then the other; a rest with its unit" },
      { line: "2x12 to failure; AMRAP", says: "RIR 0; as many reps as possible" },
      { line: "3x10 2 RIR drop set", says: "a drop to 80% of the load" },
    ],
  },
  {
    title: "What follows a set",
    says: "Behind “then”, one after the other. Three drops are three lighter loads, four with the first.",
    examples: [
      { line: "12 then 3 drops to 80% of last for 8 after 10 s", says: "each of the load before" },
      {
        line: "12 then drop to 70% of first then drop to 50% of first",
        says: "each of the first load",
      },
      {
        line: "12 then drop strip 1 then drop down 2 then drop to 40 kg then drop to body",
        says: "plates, steps, a load, none",
      },
      {
        line: "10 then rest-pause 2 after 15 s for max",
        says: "two short pauses, again to failure",
      },
      {
        line: "12 then rest-pause 2 after most 15 s; 12 then 2 drops by 20% of first",
        says: "pauses of at most so long; a fifth of the first load off each time",
      },
      { line: "5 then cluster 4 after 20 s at 105% for 2", says: "small groups, heavier" },
      {
        line: "12 then partials stretched for 8 then hold 20 s stretched",
        says: "short range, then a hold",
      },
      { line: "8 then forced partner for 2 then breaths 5 for 4", says: "help; a breather" },
      { line: '10 then position "Toes" "out" for 6-8', says: "another position within the set" },
      { line: "12 then hold 15 s 90 deg", says: "a hold at an angle" },
    ],
  },
];
