import type { Arrival, At, Cleared } from '../record/brief';
import type { GateKind, Grade, Part } from './part';

/** Something that binds the plan. */
export interface Gate {
	readonly part: Part;
	readonly grade: Grade & { readonly gate: GateKind };
	/** Who has answered for it; a stop and a procedure cannot be cleared. */
	readonly cleared: At<Cleared> | undefined;
}

/** What the parts as they were judged put in the way, the gravest first. */
export function gatesOf(parts: readonly Part[], arrival: Pick<Arrival, 'parts' | 'cleared'>): readonly Gate[] {
	const gates = parts.flatMap((part): Gate[] => {
		const judged = arrival.parts.get(part.id);
		const grade = part.grades.find(({ id }) => id === judged?.grade);
		if (!grade?.gate) return [];
		const cleared = arrival.cleared.get(part.id);
		const answers = grade.gate === 'hold' && cleared?.grade === grade.id;
		return [{ part, grade: { ...grade, gate: grade.gate }, cleared: answers ? cleared : undefined }];
	});
	const order: readonly GateKind[] = ['stop', 'hold', 'procedure'];
	return gates.sort((a, b) => order.indexOf(a.grade.gate) - order.indexOf(b.grade.gate));
}

/** What forbids to add tension, as it stands; procedures forbid nothing. */
export function barring(gates: readonly Gate[]): Gate | undefined {
	return gates.find(({ grade, cleared }) => grade.gate === 'stop' || (grade.gate === 'hold' && !cleared));
}
