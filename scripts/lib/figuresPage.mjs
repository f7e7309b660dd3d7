// @ts-check
// The page of figures, in words and tables.
import { cpus } from 'node:os';

/** @param {number} note */
const noteName = (note) =>
	`${['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'G♯', 'A', 'B♭', 'B'][note % 12]}${Math.floor(note / 12) - 1}`;
const ms = (/** @type {number} */ seconds) => `${Math.round(1000 * seconds)} ms`;
const tasks = (/** @type {number} */ most) => (most ? `${most.toFixed(0)} ms` : 'none of 50 ms or more');

/** @typedef {import('./pageFigures.mjs').PageFigures} PageFigures */

const machine = () => `${cpus().length} cores, ${cpus()[0].model.trim()}, Node.js ${process.versions.node}`;
const INTRODUCTION = `# Figures

Written by \`npm run bench\`, or some of them by \`npm run bench -- PART ...\`: each section says when and on what it was measured. Times on a
shared machine vary; ratios hold better. Sounds are the core's own synthesised strings, one string at a time, in white noise 20 dB below the
string's first second, at 48 kHz, struck up to 20 cents off with B scattered by 20 %.`;

const estimator = (/** @type {any} */ listening) => `## Error of the estimator

Reading of the first partial at the fixed moment, against the string as it was made; four strings to a note.

| register | recognised | median error, cents | 95 % below, cents | B, median error |
|---|---|---|---|---|
${listening.errors.map((/** @type {any} */ e) => `| ${e.name} | ${e.heard} of ${e.all} | ${e.median.toFixed(3)} | ${e.high.toFixed(3)} | ${(100 * e.b).toFixed(2)} % |`).join('\n')}

While the pitch still falls after the strike (1 to 5 cents, time constant 0.08 to 0.2 s), against the pitch at the fixed moment, A0 to C7:
median ${listening.gliding.median.toFixed(3)} cent, 95 % below ${listening.gliding.high.toFixed(2)} (aims: 0.1 and 0.4); B up to C6, median error ${(100 * listening.gliding.b).toFixed(2)} % (aim: 3).

One sinusoid in white noise, fitted on its envelope, 2,000 runs a point: root mean square error over the Cramer-Rao bound (aim: at most 1.2).

| seconds | 0 dB | 20 dB | 40 dB | 60 dB |
|---|---|---|---|---|
${listening.sinusoids.map((/** @type {any} */ row) => `| ${row.seconds} | ${row.ratios.map((/** @type {number} */ ratio) => ratio.toFixed(2)).join(' | ')} |`).join('\n')}

## A recorded concert grand

${listening.recorded.recognised} of ${listening.recorded.all} strikes recognised without being told what is due (the top C stands a semitone sharp); log B scatters by ${listening.recorded.scatter.toFixed(3)} about two
branches (0.09 has been reached by an offline analysis). Each strike read at ${listening.recorded.moments.join(' and ')} s after the strike, partials 1 to 8; what the
pitch as a whole has moved in between is settling and taken out. All strings of each note sound, so that partials beat; their
stated errors hold that. Were the errors normal, 68 and 95 % would lie within one and two of them.

| register | partials | median difference, cents | 90 % below | within the stated error | within twice |
|---|---|---|---|---|---|
${listening.recorded.registers
	.filter((/** @type {any} */ row) => row.partials > 0)
	.map(
		(/** @type {any} */ row) =>
			`| ${row.name} | ${row.partials} | ${row.median.toFixed(2)} | ${row.high.toFixed(2)} | ${(100 * row.within).toFixed(0)} % | ${(100 * row.withinTwo).toFixed(0)} % |`
	)
	.join('\n')}

## Strings as they are in rooms

Synthesised with all that strings and rooms do: two stages of decay, strings coupled by the bridge, motion along the board,
phantom partials, the key's knock, an echo of 0.45 s, background, hum at 50 Hz, and a pitch that falls 1 to 3 cents after the
strike. Three strings stand 0.5 cents apart; their error is counted from the middle one.

| strings | recognised | median error, cents | 95 % below | B to C6, median error | within twice the stated error |
|---|---|---|---|---|---|
${listening.lively
	.map(
		(/** @type {any} */ row) =>
			`| ${row.strings} | ${row.recognised} of 88 | ${row.median.toFixed(3)} | ${row.high.toFixed(2)} | ${(100 * row.b).toFixed(2)} % | ${(100 * row.within).toFixed(0)} % |`
	)
	.join('\n')}

## Sample rates

Every third note from A0 to C8, 7 cents off, 20 dB over the noise.

| rate, Hz | read | median error, cents | 95 % below |
|---|---|---|---|
${listening.rates.map((/** @type {any} */ row) => `| ${row.rate} | ${row.read} of ${row.all} | ${row.median.toFixed(3)} | ${row.high.toFixed(3)} |`).join('\n')}`;

const percent = (/** @type {number} */ share) => `${(100 * share).toFixed(0)} %`;

const strikesBesideEachOther = (/** @type {any} */ { pairs, quiet, restrikes, single }) => `## Two strikes of one string

Differences of the pitch between two strikes, one firmer, beside their stated errors: single strings in rooms, three strings
about half a cent apart, and a recorded grand struck three times. Aims: 60 to 76 % within one error, 90 to 98 % within two.

| register | pairs | within one | within two |
|---|---|---|---|
${pairs.map((/** @type {any} */ row) => `| ${row.name} | ${row.pairs} | ${percent(row.one)} | ${percent(row.two)} |`).join('\n')}

## Quiet strings

Single strings in rooms, five strikes a note, that are read as what they are, in the worst octave and in all; aims 98, 95 and 90 %.

| over the noise | worst octave | all |
|---|---|---|
${quiet.map((/** @type {any} */ row) => `| ${row.snr} dB | ${percent(row.worst)} | ${percent(row.all)} |`).join('\n')}

## Struck again and again

Six strikes, every 0.7 s, synthesised and on the recorded grand, A0 to A7; wrong means another note, or more than two cents and
three stated errors off. Aim: 95 % heard.

| dampers | strikes | heard | heard besides | read | wrong |
|---|---|---|---|---|---|
${restrikes.map((/** @type {any} */ row) => `| ${row.damped ? 'on' : 'off'} | ${row.all} | ${row.heard} | ${row.more} | ${row.read} | ${row.wrong} |`).join('\n')}

Of ${single.all} recordings of a single strike, ${single.read} were read; in ${single.more} something more was taken for a strike before the string had
died away, and in ${single.moreRead} it was read.`;

const timesAndMistakes = (
	/** @type {any} */ { others, latency, speed },
	/** @type {any} */ misleading
) => `## Beside general-purpose pitch estimators

The same 88 strikes, 10 cents sharp, 20 dB over the noise. The others (YIN of pitchfinder, McLeod of pitchy) are given one
frame of 8192 samples at the moment of reading; wrong means more than 50 cents away. They look for a period, which a stiff
string does not quite have: that alone puts them cents off. Their speed is that of frames following each other as closely as
ours do.

| register | this, cents | wrong | YIN, cents | wrong | McLeod, cents | wrong |
|---|---|---|---|---|---|---|
${others.rows
	.map(
		(/** @type {any} */ row) =>
			`| ${row.name} | ${['own', 'yin', 'mcleod'].map((each) => `${row[each].median.toFixed(each === 'own' ? 3 : 1)} | ${(100 * row[each].wrong).toFixed(0)} %`).join(' | ')} |`
	)
	.join('\n')}

Seconds of sound to a second of CPU: this ${others.speed.own.toFixed(0)}, YIN ${others.speed.yin.toFixed(1)}, McLeod ${others.speed.mcleod.toFixed(1)}.

## Sounds that mislead

${misleading.clips} clips made by the core, each with some note due. Wrong is what was read where no single string sounded, another note
than was struck, or a pitch off by more than two cents and three stated errors that was said to be certain. Aim: fewer than 1 %.

| clip | all | read | wrong |
|---|---|---|---|
${misleading.counts.map((/** @type {any} */ row) => `| ${row.kind}${row.single ? '' : ' (no single string)'} | ${row.all} | ${row.read} | ${row.wrong} |`).join('\n')}

## Time from the strike

Sound that must have come in before the first figure, and before figures stay within half a cent. Aims: 200 ms at A4, 500 ms at A1.

| note | first figure | within half a cent |
|---|---|---|
${latency.map((/** @type {any} */ l) => `| ${l.note} | ${ms(l.first)} | ${ms(l.good)} |`).join('\n')}

## Speed

- ${speed.secondsPerCpuSecond.toFixed(0)} seconds of sound to a second of CPU on one core with every analysis on: a strike every two seconds, its unison
  looked at for three strings (aim: 30). Listening alone: ${speed.listeningAlone.toFixed(0)}.
- Listening costs ${speed.timesBareTransforms.toFixed(1)} times as much as nothing but the Fourier transforms at the same rate.`;

/** @param {any} listening @param {PageFigures} measured */
const memoryUsed = ({ memory, allocation }, { book, server }) => `## Memory

- Listener: ${memory.megabytes.toFixed(1)} MB of heap and buffers after ${memory.minutes} minutes of sound, ${memory.growth < 0.05 ? 'no growth' : `${memory.growth.toFixed(2)} MB growth`} over them.
- Allocated for a second of sound: ${(allocation[0] / 1024).toFixed(0)} kB in a quiet room (events and what they hold), ${(allocation[1] / 1024).toFixed(0)} kB while a note sounds; buffers are made once.
- A visit's book, half done on 88 notes, as it comes to a device: ${(book / 1000).toFixed(0)} kB (aim: 150).
- Server process, demo data loaded, after the pages below were asked for: ${server.toFixed(0)} MB resident.`;

/** @param {any} tempering @param {PageFigures} measured */
const intervals = (tempering, { busy }) => `## Intervals, plans and counts

- Coincidences and beats of all ${tempering.intervals} intervals up to three octaves over 88 notes (${tempering.found} pairs of partials): ${tempering.bookTime.toFixed(1)} ms
  (aim: 15), ${(tempering.plainTime / tempering.bookTime).toFixed(1)} times faster than looking at all 256 pairs of each.
- Pitches from counted beats, hidden octaves with rates rounded to 0.1 per second: ${tempering.solved
	.map((/** @type {any} */ s) => `${s.rms.toFixed(3)} cent rms from ${s.name}`)
	.join(', ')} (aims: 0.05 and 0.12; ${tempering.solved[0].octaves} octaves each).
- Longest stretch in which the page could not answer while plans are made and simulated: ${tasks(busy.plan)}; while counts are typed and solved: ${tasks(busy.counts)} (aim: 50 ms).

Bearing plans for equal temperament on a typical upright, F3 to F4 from A4, 10,000 simulated tunings; the time is for making
the plan and all its tunings on one core (aim: 300 ms). Errors in cents, root mean square, by a trained ear (0.1 per second
or 6 % of scatter, 0.1 of bias) and by the same ear without bias.

| plan | ms | a note | closing | a note, no bias | closing, no bias |
|---|---|---|---|---|---|
${tempering.plans
	.map(
		(/** @type {any} */ p) =>
			`| ${p.school} | ${p.time.toFixed(0)} | ${p.overall.toFixed(2)} | ${p.closing?.toFixed(2) ?? ''} | ${p.scatterOverall.toFixed(2)} | ${p.scatterClosing?.toFixed(2) ?? ''} |`
	)
	.join('\n')}`;

/** @param {any} curve @param {PageFigures} measured */
const curves = (curve, { busy }) => `## Tuning curve

88 notes, 13 interval types, a blend of two priorities, median of 1,000 solves with another blend each:

- ${curve.speed.banded.toFixed(2)} ms a solve (aim: 1), ${(curve.speed.dense / curve.speed.banded).toFixed(0)} times faster than the same least squares as a dense system, from which it
  differs by at most ${curve.speed.furthest.toExponential(0)} cent (aim: 1e-6). With the beats of all thirteen types along the keyboard: ${curve.speed.shown.toFixed(1)} ms
  (aim: 16); the band of uncertainty, drawn once the curve rests: ${curve.speed.band.toFixed(0)} ms. Longest stretch in which the page
  could not answer while a blend is moved through sixty steps: ${tasks(busy.curve)} (aim: 50 ms).
- Branches of inharmonicity recovered from ${curve.recovery.runs} invented pianos with 5 % of scatter and 3 % of measurement error: within one
  stated standard error in ${(100 * curve.recovery.one).toFixed(0)} % of cases, within two in ${(100 * curve.recovery.two).toFixed(0)} % (68 and 95 would be perfect).

A concert grand as a professional left it (${curve.grand.all} recorded strikes, every minor third; ${curve.grand.recognised} taken by the listener, the others by
their strongest tone near the note, for pitch alone), against each priority's curve for its own strings as read. Its log B
scatters by ${curve.grand.scatter.toFixed(3)} about two branches; out of line: ${curve.grand.outliers.map(noteName).join(', ')}. Root mean square difference in cents,
the mean of C3 to C6 taken out; the notes' own scatter is in it. The priorities were chosen by argument (docs/decisions.md);
aims for the balanced one: 2.5 from A1 to C7, 4 from A0 to A7. Only the last row was fitted to this piano.

| curve | ${curve.grand.registers.join(' | ')} |
|---|${curve.grand.registers.map(() => '---|').join('')}
${[...curve.grand.priorities, { ...curve.grand.fitted, name: `fitted: ${curve.grand.fitted.name}` }]
	.map(
		(/** @type {{ name: string, rms: number[] }} */ each) =>
			`| ${each.name} | ${each.rms.map((value) => value.toFixed(2)).join(' | ')} |`
	)
	.join('\n')}`;

const twoNotes = (/** @type {any} */ { open, rows, refused, each, cpu }) => `## Two strings at once

Two simulated strings struck together from F2 to D5, ${each} of each interval and note, 20 dB over the noise; notes 8 cents and B a tenth off what is
known of them. The beat at the coincidence against the one that they were made with, per second. Aims at three seconds: 95 % within 0.05
(octaves, twelfths and double octaves 0.17), 95 % answered, over 1 off in at most 0.5 %, the sense wrong in at most 0.3 %.

| intervals | seconds | answered | median | 95 % within | over 1 off | sense said | sense wrong | within one and two errors |
|---|---|---|---|---|---|---|---|---|
${rows
	.map(
		(/** @type {any} */ row) =>
			`| ${row.name} | ${row.seconds} | ${percent(row.answered)} | ${row.median.toFixed(3)} | ${row.high.toFixed(3)} | ${(100 * row.far).toFixed(1)} % | ${percent(row.senseSaid)} | ${(100 * row.senseWrong).toFixed(1)} % | ${percent(row.withinOne)}, ${percent(row.withinTwo)} |`
	)
	.join('\n')}

One key alone, a third note besides, or another key than was thought: ${(100 * refused.right).toFixed(1)} % of ${refused.all} refused (aim: 98). CPU: ${cpu.toFixed(2)} s for a coincidence
(aim: 0.3).

## Two open unisons at once

Notes of the recorded grand, three strings each, from C2 to E6, mixed two and two with noise 20 dB below; notes between the recorded ones are
their neighbours resampled. The beat in the mixture against the one that both notes tell alone, where each
alone is one tone (no more than 35 % of the partial's power left over). Layer 10 was looked at while the method was made,
6 and 12 when it was last changed. Aims: below 600 Hz 90 % answered, rms 0.30, 95 % within 0.55 (5 seconds: 0.15 and 0.33); from 600 to 1,200 Hz 75 %, rms 0.45;
stated errors hold 60 to 80 % and at least 88 %; the sense wrong in at most 0.5 % (octaves and twelfths 5 %).

| coincidences | layer | seconds | asked | answered | median | rms | 95 % within | sense wrong | within one and two errors |
|---|---|---|---|---|---|---|---|---|---|
${open
	.map(
		(/** @type {any} */ row) =>
			`| ${row.name} | ${row.layer} | ${row.seconds} | ${row.asked} | ${percent(row.answered)} | ${row.median.toFixed(2)} | ${row.rms.toFixed(2)} | ${row.high.toFixed(2)} | ${row.senseWrong} of ${row.senseSaid} | ${percent(row.withinOne)}, ${percent(row.withinTwo)} |`
	)
	.join('\n')}`;

const WAYS = /** @type {Record<string, string>} */ ({
	half: 'half the drop',
	shares: 'shares by register',
	coupled: 'from the survey, fixed',
	learning: 'learning as it goes',
	trial: 'trial raise, then learning'
});
const rms = (/** @type {{ median: number, high: number }} */ each) =>
	`${each.median.toFixed(2)} / ${each.high.toFixed(2)}`;

const raises = (/** @type {any} */ survey, /** @type {any} */ raise) => `## What a survey says

Notes out of their neighbours' line, in ${survey.surveys} invented keyboards of each kind, with a slope, a step of 6 cents at the break, and one
note set off. Aims: 99.9 % found, false alarms in under 0.4 % of surveys (88 notes). With fewer than 28 notes nothing is claimed.

| notes | scatter, cents | set off by | found | found, and nothing else | false alarms |
|---|---|---|---|---|---|
${survey.strays
	.map(
		(/** @type {any} */ row) =>
			`| ${row.notes} | ${row.scatter} | ${row.by} | ${(100 * row.found).toFixed(1)} % | ${(100 * row.only).toFixed(1)} % | ${(100 * row.falseAlarms).toFixed(1)} % |`
	)
	.join('\n')}

What stands with the last strike (state, strays, verdict, price of the plan's pitch, fewest strings, passes of a raise), for 88 notes read:
${survey.verdict.toFixed(0)} ms of work (aim: 100).

## Raises

Simulated pianos, ${raise.pianos} of each kind, whose constants the planner cannot read: each uniform within a share of the usual, notes scattered by
10 %; notes found 1 cent about the drop, read to 0.1 and set to 0.5 cents; a survey of 28; bass first; cap 30 cents. Root mean square over
the notes when all has settled, in cents: median / 95th percentile over the pianos.

| way | 40 c, within 20 % | 40 c, within 50 % | uneven (10, 25, 30, 50) | another form, 40 c | another form, uneven |
|---|---|---|---|---|---|
${raise.uneven
	.map(
		(/** @type {any} */ { way }, /** @type {number} */ i) =>
			`| ${WAYS[way]} | ${[raise.even[0].ways, raise.even[1].ways, raise.uneven, raise.other, raise.otherUneven].map((each) => rms(each[i])).join(' | ')} |`
	)
	.join('\n')}
| next raise of the same piano | ${rms(raise.even[0].next)} | ${rms(raise.even[1].next)} | | | |

Aims within 20 and 50 %: fixed 1.4/2.6 and 2.2/5.3, learning 1.3/2.0 and 1.7/3.2, trial 1.1/1.4 and 1.2/1.9, the next 0.8/0.9; uneven 1.2/2.0;
another form 2.0/3.5, and never worse than the better school. The other form is the simulated instrument's own: two bridges, Lorentzian, creep
in two times.

Learning, within 20 %: 15 cents ${rms(raise.small)} (aim: median 0.75), lowered by 8 cents ${rms(raise.lowered)}; ${raise.large.map((/** @type {any} */ each) => `${each.cents} cents ${rms(each.passes[0])} after one pass and ${rms(each.passes[1])} after two`).join(', ')} (aim: 0.65).
Uneven drops with a survey of ${raise.surveys.map((/** @type {any} */ each) => `${each.strikes}: ${rms(each.learning)}`).join(', ')}.`;

const weights = (/** @type {PageFigures} */ { pages }) => `## Script per page

Everything with a script address that a page loads into an empty cache, gzipped. Aim: under 200 kB.

| page | kB | files |
|---|---|---|
${pages.map(({ name, kilobytes, files }) => `| ${name} | ${kilobytes.toFixed(0)} | ${files} |`).join('\n')}`;

const wholeVisit = (/** @type {any} */ { strings, strikes, rows }) => `## A whole visit

The record of a visit with ${strings} strings and ${strikes.toLocaleString('en')} strikes, beside one that has just begun: median milliseconds of the core's part.

| what | whole visit | empty visit | ratio |
|---|---|---|---|
${rows.map((/** @type {any} */ { name, whole, none }) => `| ${name} | ${whole.toFixed(2)} | ${none.toFixed(3)} | ${(whole / none).toFixed(0)} |`).join('\n')}`;

const automaticLever = (/** @type {any} */ figures) => `## An automatic lever

A lever that reads nothing but the page sets ${figures.notes} notes of the simulated instrument with their unisons, in the browser; where strings
stand is taken from the strings themselves when they are kept, at the partial that is listened to there. Notes with a string that does
not come to hold, since it beats by itself, are counted apart: ${figures.asTheyStood}.

| what | root mean square, cents | aim |
|---|---|---|
| strings from their targets | ${figures.setWithin.toFixed(2)} | 0.5 |
| the same with the strings that beat by themselves | ${figures.allWithin.toFixed(2)} | |
| strings of a unison from each other | ${figures.unisonsWithin.toFixed(2)} | 0.4 |
| ${figures.pairs} pairs by the pair method, read as beats only, from their targets | ${figures.pairsWithin.toFixed(2)} | 1 |

While a string that sounds is turned, in real time, what is read on screen changes ${figures.changes.toFixed(0)} times a second (aim: 15).`;

const atScale = (/** @type {any} */ { counts, pages, memory, load, rounds }) => `## A register of thousands

${counts.instruments.toLocaleString('en')} instruments, ${counts.visits.toLocaleString('en')} visits, ${counts.readings.toLocaleString('en')} readings in one workshop (\`npm run demo:many\`), beside the demo data alone, served from the same machine
in one run; the instrument asked for has a hundred visits. Each page ${rounds} times, in turn. Aims: at most 3 times the demo's at the median,
6 at 99 %, 150 kB of page and data.

| page | demo, ms | thousands, ms | median, ratio | 99 %, ratio | kB |
|---|---|---|---|---|---|
${pages.map((/** @type {any} */ row) => `| ${row.name} | ${row.small.toFixed(1)} | ${row.large.toFixed(1)} | ${row.median.toFixed(1)} | ${row.high.toFixed(1)} | ${row.kilobytes.toFixed(0)} |`).join('\n')}

Memory of the server's process after it: ${memory[1].toFixed(0)} MB, ${(memory[1] / memory[0]).toFixed(2)} times the demo's ${memory[0].toFixed(0)} MB (aim: 2).

${load.devices} devices handing over ${(load.sent / load.seconds).toFixed(0)} readings a second for ${load.seconds} s with the register in use: ${load.sent.toLocaleString('en')} sent, ${load.kept.toLocaleString('en')} stored; the register answers
within ${load.busy.toFixed(0)} ms at 99 %, ${load.ratio.toFixed(1)} times as long as on the idle server (aim: 3); a batch within ${load.handed.toFixed(0)} ms.`;

/** @param {any} ear */
const thresholds = (ear) => `## Thresholds of an ear

Simulated listeners whose thresholds are known, ${ear.count} of each kind, ${ear.trials} answers each, three sounds to choose from. Error of the threshold as a
share of it; how often the stated interval (nine times of ten) holds it. Aims: median at most 20 %, 90 % within 45 %.

| listeners | median error | 90 % within | interval holds |
|---|---|---|---|
${ear.learners.map((/** @type {any} */ row) => `| ${row.name} | ${percent(row.median)} | ${percent(row.high)} | ${percent(row.covered)} |`).join('\n')}

Of eighty answers: an ear that stays as it was is said to tire in ${(100 * ear.steady).toFixed(1)} % of sittings (aim: under 2), one whose threshold doubles or
trebles over the second half in ${percent(ear.tiresTwice)} and ${percent(ear.tiresThrice)}. Whoever only guesses is told so after thirty answers in ${percent(ear.deaf)}.`;

/** @param {any} reeds */
const lastingTones = (reeds) => {
	const room = (/** @type {boolean} */ isRoom) => (isRoom ? 'in a room' : 'dry');
	return `## Tones that last

Simulated reeds from G2 to A6, ${reeds.count} each, dry and in a room whose echo lasts half a second: breath that rises in up to two seconds, 25 to 40 dB
over its noise, wobbling by up to half a cent. Aims: 98 % read, no octave taken for a note; 95 % within 0.5 cents in a twentieth of a second and 0.1 in a second.

| | read | as an octave | 1/20 s, 95 % within | 1 s, 95 % within | within two errors |
|---|---|---|---|---|---|
${reeds.reeds.map((/** @type {any} */ row) => `| ${room(row.isRoom)} | ${percent(row.read)} | ${row.octaves} | ${row.short.toFixed(2)} | ${row.long.toFixed(2)} | ${percent(row.withinTwo)} |`).join('\n')}

Slope of pitch on breath from one swell of 16 dB in four seconds, cents a decibel (aims: 0.05 dry, 0.1 in a room): ${reeds.slopes.map((/** @type {any} */ row) => `95 % within ${row.high.toFixed(3)} ${room(row.isRoom)}, ${percent(row.withinTwo)} within two errors, ${percent(row.told)} told`).join('; ')}. The others are refused, since they would err by more than 0.15: where a room rings as loud as the reed, its harmonics rise and fall as the pitch glides.
Of ${reeds.noTones.all} sounds that are no tone (speech, music, a fan, mains, wind) ${reeds.noTones.read} were read.

Beats of two reeds in two seconds, thirds to octaves, against those that they were made with; the sense where they beat more than 0.3 a second.

| register | | answered | 95 % within | aim | sense wrong |
|---|---|---|---|---|---|
${reeds.beats.map((/** @type {any} */ row) => `| ${row.name} | ${room(row.isRoom)} | ${percent(row.answered)} | ${row.high.toFixed(3)} | ${row.aim * (row.isRoom ? 2 : 1)} | ${row.wrong} of ${row.said} |`).join('\n')}

Triads of three tones in two seconds (aim: 0.3 cents): ${reeds.triads.map((/** @type {any} */ row) => `${percent(row.answered)} of their intervals answered, 95 % within ${row.high.toFixed(2)} cents ${room(row.isRoom)}`).join('; ')}.

Recorded reeds (harmonica and reed organ of a sound font, every minor third from G3 to E6), moved by known cents, breath that rises in up to two seconds, wobble and wind 30 dB below laid on:
${reeds.played.map((/** @type {any} */ row) => `${row.read} of ${row.all} read ${room(row.isRoom)}, ${row.octaves} with an octave that is none, 95 % within ${row.high.toFixed(2)} cents`).join('; ')}. Recorded bows (violin, viola, cello, with their vibrato): ${reeds.bowed.read} of ${reeds.bowed.all} read at the first one (aim: 70 %).

## Filing reeds

Reeds whose stroke nobody knows (within a factor of two, strokes differ by 15 %), 20 cents off, filed by advice until within one cent. Aims: three rounds at the
median, under 7 % of reeds past the target by more than a cent.

| rule | rounds | too far |
|---|---|---|
${reeds.filed.map((/** @type {any} */ row) => `| ${{ learned: 'by what was learned', half: 'always half', all: 'all that is left' }[/** @type {'learned'} */ (row.rule)]} | ${row.rounds} | ${percent(row.over)} |`).join('\n')}

Which of two reeds is sharp at playing breath, each read gently with its slope: ${reeds.which.map((/** @type {any} */ row) => `right in ${(100 * row.right).toFixed(1)} % at ${row.apart} ${row.apart === 1 ? 'cent' : 'cents'}`).join(', ')}; said wrongly in ${percent(Math.max(...reeds.which.map((/** @type {any} */ row) => row.wrong)))} (under two cents nothing is said).`;
};

/** @param {any} frets */
const pluckedAndFretted = (frets) => `## Plucked strings and frets

Simulated plucks from E2 to E5, ${frets.count} of them, against what they were made with (aims: 0.5 cents at 0.1 s, 0.2 later): ${frets.simulated.moments.map((/** @type {any} */ row) => `95 % within ${row.high.toFixed(2)} cents at ${row.moment} s (${row.read} told)`).join(', ')}; ${percent(frets.simulated.withinTwo)} within two errors.

Recorded notes of a sound font, every minor third, and the same moved by known cents (aims: 98 % read, no octave errors):

| | read | as an octave | 95 % within |
|---|---|---|---|
${frets.recorded.map((/** @type {any} */ row) => `| ${{ nylonGuitar: 'guitar, nylon strings', steelGuitar: 'guitar, steel strings', harpsichord: 'harpsichord' }[/** @type {'harpsichord'} */ (row.instrument)]} | ${row.read} of ${row.all} | ${row.octaves} | ${row.high.toFixed(2)} |`).join('\n')}

Sixty simulated bass viols (frets a millimetre off and slanting, strings that stretch, a nut up to half a millimetre off), surveyed exactly and with 0.2 cents of error, all frets moved once by
advice in steps of half a millimetre. Aims: predicted within 0.3 cents; every note within 3 cents, or it is said which cannot be.

| temperament | readings err by | notes | predicted, 95 % within | over 3 cents, and said | over 3 cents, not said |
|---|---|---|---|---|---|
${frets.moved.map((/** @type {any} */ row) => `| ${row.temperament} | ${row.error} | ${row.notes} | ${row.high.toFixed(2)} | ${row.said} | ${row.beyond} |`).join('\n')}`;

const drifts = (/** @type {any} */ drift) => `## Drift

Simulated years (six, a visit every half year, sooner or later by weeks; air that is no wave, wood that follows it late, tunings that leave some behind), four times four hundred instruments; the
last visit left out and told by the others (aims: 90 % bands hold 87 to 93 %; at least 25 % less than looking back to the last time; no more than that after two visits):

| instruments to a house | visits | humidity | bands hold | differs by run | error, cents | as last time |
|---|---|---|---|---|---|---|
${drift.map((/** @type {any} */ row) => `| ${row.instruments} | ${row.visits} | ${row.isHumidityTold ? 'told' : 'not told'} | ${percent(row.within)} | ${percent(row.differs)} | ${row.off.toFixed(1)} | ${row.naive.toFixed(1)} |`).join('\n')}`;

const days = (/** @type {any} */ { gaps, searched }) => `## A day that gains most

Days of eight hours among three hundred simulated instruments, ten rounds to a row (aims: the best there is up to ten places; within 5 % of a bound beyond). By parts, ten places: the bound lies
${percent(searched.below)} to ${percent(searched.above)} above the exact best.

| places | below the bound, mean | worst |
|---|---|---|
${gaps.map((/** @type {any} */ row) => `| ${row.places} | ${percent(row.mean)} | ${percent(row.worst)} |`).join('\n')}`;

/** What is measured by itself: a program of core/bench each, and the pages of the running application. */
export const PARTS = /** @type {const} */ ([
	'listening',
	'strikes',
	'tempering',
	'curve',
	'pairs',
	'survey',
	'raise',
	'visit',
	'ear',
	'reeds',
	'frets',
	'drift',
	'day',
	'lever',
	'scale',
	'pages'
]);

/** @typedef {Partial<Record<typeof PARTS[number], any>>} Figures what each part has told */

/** @type {readonly { needs: readonly (typeof PARTS[number])[], text: (figures: any) => string }[]} */
const SECTIONS = [
	{ needs: ['listening'], text: ({ listening }) => estimator(listening) },
	{ needs: ['strikes'], text: ({ strikes }) => strikesBesideEachOther(strikes) },
	{
		needs: ['listening', 'strikes'],
		text: ({ listening, strikes }) => timesAndMistakes(listening, strikes.misleading)
	},
	{ needs: ['listening', 'pages'], text: ({ listening, pages }) => memoryUsed(listening, pages) },
	{ needs: ['tempering', 'pages'], text: ({ tempering, pages }) => intervals(tempering, pages) },
	{ needs: ['curve', 'pages'], text: ({ curve, pages }) => curves(curve, pages) },
	{ needs: ['pairs'], text: ({ pairs }) => twoNotes(pairs) },
	{ needs: ['ear'], text: ({ ear }) => thresholds(ear) },
	{ needs: ['reeds'], text: ({ reeds }) => lastingTones(reeds) },
	{ needs: ['frets'], text: ({ frets }) => pluckedAndFretted(frets) },
	{ needs: ['drift'], text: ({ drift }) => drifts(drift) },
	{ needs: ['day'], text: ({ day }) => days(day) },
	{ needs: ['survey', 'raise'], text: ({ survey, raise }) => raises(survey, raise) },
	{ needs: ['visit'], text: ({ visit }) => wholeVisit(visit) },
	{ needs: ['lever'], text: ({ lever }) => automaticLever(lever) },
	{ needs: ['scale'], text: ({ scale }) => atScale(scale) },
	{ needs: ['pages'], text: ({ pages }) => weights(pages) }
];

/** @param {string} text @returns {[heading: string, body: string][]} */
const sectionsOf = (text) =>
	text
		.split(/^(?=## )/m)
		.filter((section) => section.startsWith('## '))
		.map((section) => [section.slice(0, section.indexOf('\n')), section.trim()]);

/**
 * The page with what was measured now; what was not stays as it is.
 * @param {Figures} figures
 * @param {string} before the page as it is
 */
export function figuresPage(figures, before) {
	const measured = `Measured on ${new Date().toISOString().slice(0, 10)} (${machine()}).`;
	const kept = new Map(sectionsOf(before));
	const page = SECTIONS.flatMap(({ needs, text }) => {
		if (needs.every((part) => figures[part]))
			return sectionsOf(text(figures)).map(([heading, body]) => [heading, `${body}\n\n${measured}`]);
		return [];
	});
	const now = new Map(/** @type {[string, string][]} */ (page));
	// In the order in which they were, what is new where it comes among those measured with it.
	const order = [...kept.keys()];
	[...now.keys()].forEach((heading, i, all) => {
		if (!order.includes(heading)) order.splice(i === 0 ? order.length : order.indexOf(all[i - 1]) + 1, 0, heading);
	});
	return [INTRODUCTION, ...order.map((heading) => now.get(heading) ?? kept.get(heading))].join('\n\n') + '\n';
}
