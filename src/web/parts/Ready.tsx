import { QueryErrorResetBoundary, useQueryClient } from "@tanstack/react-query";
import { Component, type ReactNode, Suspense, useEffect } from "react";
import { named } from "../api/rooms";
import { Problem } from "../api/problem";
import { Button } from "./Button";

/** What was asked for could not be read: what, that nothing was lost, and a way to try again. */
function Failed({ error, again }: { error: Error; again: () => void }) {
  const queries = useQueryClient();
  // Whoever comes back finds it asked anew, and not the failure of before.
  useEffect(
    () => () =>
      queries.removeQueries({
        predicate: (q) => q.state.status === "error" && q.state.data === undefined && q.state.fetchStatus === "idle",
      }),
    [queries],
  );
  const said = error instanceof Problem ? error : null;
  const code = !said; // code that did not come, or that broke while drawing
  const gone = said?.status === 404;
  return (
    <div role="alert" className="max-w-prose border-l-8 border-plum pl-4">
      <h1 className="text-2xl leading-tight text-plum">
        ✕ {code ? "This page could not be drawn." : `${named(said.read)} could not be read.`}
      </h1>
      <p className="mt-2 text-lg">{said ? said.message : error.message}</p>
      <p className="text-lg">
        {gone ? said.detail : "Nothing that you kept is lost. It may be there again in a moment."}
      </p>
      <p className="mt-4">
        <Button kind="filled" onClick={code ? () => location.reload() : again}>
          Try again
        </Button>
      </p>
    </div>
  );
}

interface FenceProps {
  /** Where one is: what failed at one address does not stand at the next. */
  at: string;
  reset: () => void;
  children: ReactNode;
  around?: (failed: ReactNode) => ReactNode;
}

class Fence extends Component<FenceProps, { error: Error | null; at: string }> {
  state = { error: null as Error | null, at: this.props.at };

  static getDerivedStateFromError(error: Error) {
    return { error };
  }

  static getDerivedStateFromProps(props: FenceProps, state: { at: string }) {
    return props.at === state.at ? null : { at: props.at, error: null };
  }

  render() {
    if (!this.state.error) return this.props.children;
    const again = () => {
      this.props.reset();
      this.setState({ error: null });
    };
    const failed = <Failed error={this.state.error} again={again} />;
    return this.props.around ? this.props.around(failed) : failed;
  }
}

interface Props {
  at?: string;
  /** The shape of what comes. */
  coming: ReactNode;
  /** What stands around the words that it failed. */
  around?: (failed: ReactNode) => ReactNode;
  children: ReactNode;
}

/** What is read inside is awaited here, and where it fails it is said here; what stands around goes on. */
export function Ready({ at = "", coming, around, children }: Props) {
  return (
    <QueryErrorResetBoundary>
      {({ reset }) => (
        <Fence at={at} reset={reset} around={around}>
          <Suspense fallback={coming}>{children}</Suspense>
        </Fence>
      )}
    </QueryErrorResetBoundary>
  );
}

/** The shape of a room that comes: a bench with something on it, and a slate. */
export function Coming({ as: Shape = "main" }: { as?: "main" | "div" }) {
  const bar = (wide: string, tall = "h-5") => <div className={`${tall} ${wide} rounded bg-shade`} />;
  return (
    <Shape
      id={Shape === "main" ? "room" : undefined}
      role={Shape === "div" ? "status" : undefined}
      aria-busy
      aria-label="One moment"
      className="mx-auto max-w-[88rem] px-4 pt-5 wide:grid wide:grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)] wide:gap-8 wide:px-7"
    >
      {Shape === "main" && <h1 className="sr-only">One moment</h1>}
      <div className="flex flex-col gap-4">
        {bar("w-2/3", "h-9")}
        {bar("w-1/2")}
        {bar("w-full", "h-64")}
        {bar("w-4/5")}
        {bar("w-3/5")}
      </div>
      <div className="hidden flex-col gap-4 border-l-2 border-line pl-8 wide:flex">
        {bar("w-3/4", "h-9")}
        {bar("w-full")}
        {bar("w-full", "h-40")}
        {bar("w-2/3")}
      </div>
    </Shape>
  );
}

/** The shape of a part of a room that comes. */
export const ComingPart = ({ tall = "h-40" }: { tall?: string }) => (
  <div role="status" aria-busy aria-label="One moment" className={`${tall} w-full rounded bg-shade`} />
);

/** A part of a room that reads for itself: the rest stands whether it can be read or not. */
export function Part({ tall, children }: { tall?: string; children: ReactNode }) {
  return <Ready coming={<ComingPart tall={tall} />}>{children}</Ready>;
}
