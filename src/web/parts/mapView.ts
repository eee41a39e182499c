import { type PointerEvent, useCallback, useRef, useState } from "react";

interface View {
  x: number;
  y: number;
  /** How much closer than the whole. */
  close: number;
}

const whole: View = { x: 0, y: 0, close: 1 };
/** The width of what is drawn, in pixels: writing keeps its size however close one comes. */
export function useWidth() {
  const [width, setWidth] = useState(640);
  const ref = useCallback((at: Element | null) => {
    if (!at || typeof ResizeObserver === "undefined") return;
    const watch = new ResizeObserver(([e]) => e && e.contentRect.width > 0 && setWidth(e.contentRect.width));
    watch.observe(at);
    return () => watch.disconnect();
  }, []);
  return [width, ref] as const;
}

/** Moves and comes closer by pointer, two fingers or buttons; never past the edge of the ground. */
export function useView(w: number, h: number) {
  const [view, setView] = useState(whole);
  const held = useRef(new Map<number, { x: number; y: number }>());
  const from = useRef<{ view: View; mid: { x: number; y: number }; apart: number } | null>(null);
  const moved = useRef(false);
  const within = (v: View): View => {
    const close = Math.min(40, Math.max(1, v.close));
    const [vw, vh] = [w / close, h / close];
    return { close, x: Math.min(w - vw, Math.max(0, v.x)), y: Math.min(h - vh, Math.max(0, v.y)) };
  };
  const closer = (by: number, at = { x: view.x + w / view.close / 2, y: view.y + h / view.close / 2 }) => {
    const close = Math.min(40, Math.max(1, view.close * by));
    const k = view.close / close;
    setView(within({ close, x: at.x - (at.x - view.x) * k, y: at.y - (at.y - view.y) * k }));
  };
  const to = (box: { left: number; right: number; top: number; bottom: number }) => {
    const room = 1.5;
    const close = Math.min(w / ((box.right - box.left) * room), h / ((box.bottom - box.top) * room));
    const c = Math.min(40, Math.max(1, close));
    setView(within({ close: c, x: (box.left + box.right) / 2 - w / c / 2, y: (box.top + box.bottom) / 2 - h / c / 2 }));
  };
  const middle = () => {
    const all = [...held.current.values()];
    const mid = { x: all.reduce((s, p) => s + p.x, 0) / all.length, y: all.reduce((s, p) => s + p.y, 0) / all.length };
    return { mid, apart: all.length > 1 ? Math.hypot(all[0]!.x - all[1]!.x, all[0]!.y - all[1]!.y) : 0 };
  };
  const begin = () => {
    from.current = held.current.size > 0 ? { view, ...middle() } : null;
  };
  const handlers = {
    onPointerDown: (e: PointerEvent) => {
      held.current.set(e.pointerId, { x: e.clientX, y: e.clientY });
      if (held.current.size === 1) moved.current = false;
      begin();
    },
    onPointerMove: (e: PointerEvent<SVGSVGElement>) => {
      if (!held.current.has(e.pointerId) || !from.current) return;
      held.current.set(e.pointerId, { x: e.clientX, y: e.clientY });
      const { mid, apart } = middle();
      const [dx, dy] = [mid.x - from.current.mid.x, mid.y - from.current.mid.y];
      if (Math.hypot(dx, dy) < 6 && Math.abs(apart - from.current.apart) < 6) return;
      moved.current = true;
      const before = from.current.view;
      const close = from.current.apart > 0 ? before.close * (apart / from.current.apart) : before.close;
      if (close === 1 && before.close === 1) return; // the page scrolls under one finger while all is in sight
      const px = w / e.currentTarget.getBoundingClientRect().width;
      setView(within({ close, x: before.x - (dx * px) / close, y: before.y - (dy * px) / close }));
    },
    onPointerUp: (e: PointerEvent) => {
      held.current.delete(e.pointerId);
      begin();
    },
    onPointerCancel: (e: PointerEvent) => {
      held.current.delete(e.pointerId);
      begin();
    },
    onPointerLeave: (e: PointerEvent) => {
      held.current.delete(e.pointerId);
      begin();
    },
  };
  return { view, closer, to, all: () => setView(whole), handlers, dragged: () => moved.current };
}
