import {
  createContext,
  type FormEvent,
  type ReactNode,
  useCallback,
  useContext,
  useLayoutEffect,
  useState,
} from "react";
import { isOf, type Problem } from "../api/problem";

interface InForm {
  problems: readonly Problem[];
  /** The fields that stand in the form, by name: what is refused of them is said there. */
  names: readonly string[];
  stands: (name: string) => () => void;
}

const Context = createContext<InForm | null>(null);

interface Props {
  /** What was refused, of whatever this form asks or keeps. */
  problem: Problem | null | undefined | (Problem | null | undefined)[];
  children: ReactNode;
}

/** What was refused stands at its field, and what belongs to no field here is left for `Wrong`. */
export function Refusals({ problem, children }: Props) {
  const [names, setNames] = useState<readonly string[]>([]);
  const stands = useCallback((name: string) => {
    setNames((list) => [...list, name]);
    return () => setNames((list) => list.toSpliced(list.indexOf(name), 1));
  }, []);
  const problems = [problem].flat().filter((p) => p != null);
  return <Context value={{ problems, names, stands }}>{children}</Context>;
}

interface FormProps {
  /** What was refused of it; left out where it stands among refusals that are said around it. */
  problem?: Props["problem"];
  children: ReactNode;
  onSend: () => void;
  className?: string;
  label?: string;
}

/** A form: sent by Enter or its button, its refusals at their fields. */
export function Form({ problem, onSend, className, label, children }: FormProps) {
  const send = (e: FormEvent) => {
    e.preventDefault();
    e.stopPropagation(); // a form may stand in a dialog that stands in another
    onSend();
  };
  const form = (
    <form onSubmit={send} className={className} aria-label={label}>
      {children}
    </form>
  );
  return problem === undefined ? form : <Refusals problem={problem}>{form}</Refusals>;
}

/** What is wrong with the field of this name, where it stands in a form. */
export function useRefusal(name: string | undefined): string | undefined {
  const form = useContext(Context);
  if (name && !form) throw new Error(`The field “${name}” stands in no form.`);
  const stands = form?.stands;
  useLayoutEffect(() => (name && stands ? stands(name) : undefined), [name, stands]);
  return name ? form?.problems.map((p) => p.of(name)).find((says) => says) : undefined;
}

/** What was refused in the form and belongs to none of its fields. */
export function useLeftOver() {
  const form = useContext(Context);
  if (!form) throw new Error("What is left over belongs to a form.");
  return form.problems
    .map((problem) => ({ problem, fields: problem.fields.filter((f) => !form.names.some((n) => isOf(f, n))) }))
    .filter((left) => left.problem.fields.length === 0 || left.fields.length > 0);
}
