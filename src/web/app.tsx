import { type ComponentType, lazy, Suspense, useEffect, useState } from "react";
import { matchPath, Navigate, Route, Routes } from "react-router-dom";
import { client, useRead } from "./api/client";
import { Holding } from "./parts/clock";
import { Shell } from "./parts/Shell";
import { Wrong } from "./parts/Wrong";
import { Today } from "./rooms/today/Today";

/** A room whose code comes when it is first asked for; `ready` fetches it beforehand. What is ready is shown at once: after a
 * fallback, Suspense holds back what it waited for by 300 ms. */
function room<K extends string>(load: () => Promise<Record<K, ComponentType>>, name: K) {
  let Ready: ComponentType | undefined;
  const Waited: ComponentType = lazy(() => load().then((m) => ({ default: m[name] as ComponentType })));
  function Opened() {
    const [atOnce] = useState(Ready !== undefined); // and stays so: another component would begin anew
    return atOnce && Ready ? <Ready /> : <Waited />;
  }
  const ready = () => load().then((m) => void (Ready = m[name]));
  return { Opened, ready };
}

const setup = room(() => import("./rooms/setup/Setup"), "Setup");

const rooms = {
  "/ground": room(() => import("./rooms/ground/Ground"), "Ground"),
  "/brew": room(() => import("./rooms/brew/BrewRoom"), "BrewRoom"),
  "/brew/plan": room(() => import("./rooms/brew/PlanBrew"), "PlanBrew"),
  "/brew/water": room(() => import("./rooms/brew/WaterBench"), "WaterBench"),
  "/brew/sources": room(() => import("./rooms/brew/Sources"), "Sources"),
  "/brew/recipes": room(() => import("./rooms/brew/RecipeRoom"), "RecipeRoom"),
  "/brew/air": room(() => import("./rooms/brew/AirRoom"), "AirRoom"),
  "/brew/ask": room(() => import("./rooms/brew/Ask"), "Ask"),
  "/brew/microscope": room(() => import("./rooms/brew/LensRoom"), "LensRoom"),
  "/brew/clean": room(() => import("./rooms/brew/CleanRoom"), "CleanRoom"),
  "/brew/back": room(() => import("./rooms/brew/BackRoom"), "BackRoom"),
  "/brew/practice": room(() => import("./rooms/brew/PracticeRoom"), "PracticeRoom"),
  "/brew/:id/card": room(() => import("./rooms/brew/Card"), "Card"),
  "/watch": room(() => import("./rooms/watch/WatchRoom"), "WatchRoom"),
  "/brew/:id": room(() => import("./rooms/brew/BatchPage"), "BatchPage"),
  "/put-out": room(() => import("./rooms/put-out/PutOutRoom"), "PutOutRoom"),
  "/put-out/windows": room(() => import("./rooms/put-out/Windows"), "Windows"),
  "/put-out/tank": room(() => import("./rooms/put-out/Tank"), "Tank"),
  "/put-out/dose": room(() => import("./rooms/put-out/Dose"), "Dose"),
  "/put-out/season": room(() => import("./rooms/put-out/SeasonRoom"), "SeasonRoom"),
  "/put-out/sprayers": room(() => import("./rooms/put-out/SprayerRoom"), "SprayerRoom"),
  "/put-out/mixing": room(() => import("./rooms/put-out/MixRoom"), "MixRoom"),
  "/put-out/:id": room(() => import("./rooms/put-out/Tank"), "Tank"),
  "/shelf": room(() => import("./rooms/shelf/Shelf"), "Shelf"),
  "/book": room(() => import("./rooms/book/Book"), "Book"),
  "/book/thread": room(() => import("./rooms/book/Thread"), "Thread"),
  "/book/season": room(() => import("./rooms/book/SeasonRecord"), "SeasonRecord"),
  "/book/plan": room(() => import("./rooms/book/PlanOfBeds"), "PlanOfBeds"),
  "/judge": room(() => import("./rooms/judge/TrialsRoom"), "TrialsRoom"),
  "/judge/new": room(() => import("./rooms/judge/TrialForm"), "TrialForm"),
  "/judge/trials/:id": room(() => import("./rooms/judge/TrialPage"), "TrialPage"),
  "/judge/trials/:id/plan": room(() => import("./rooms/judge/TrialForm"), "TrialForm"),
  "/judge/trials/:id/sheet": room(() => import("./rooms/judge/Sheet"), "Sheet"),
  "/judge/trials/:id/print": room(() => import("./rooms/judge/TrialPrint"), "TrialPrint"),
  "/judge/patches": room(() => import("./rooms/judge/PatchRoom"), "PatchRoom"),
  "/judge/across": room(() => import("./rooms/judge/AcrossRoom"), "AcrossRoom"),
  "/judge/practice": room(() => import("./rooms/judge/PlotPractice"), "PlotPractice"),
  "/judge/brix/:id": room(() => import("./rooms/judge/BrixBed"), "BrixBed"),
  "/judge/brix": room(() => import("./rooms/judge/Brix"), "Brix"),
};

/** True once the code of the room at this address is there, or can't be had now (its room then says so). */
function useFirstRoom() {
  const [there, setThere] = useState(false);
  useEffect(() => {
    const first = Object.entries(rooms).find(([path]) => matchPath(path, location.pathname))?.[1];
    void Promise.resolve(first?.ready())
      .catch(() => undefined)
      .then(() => setThere(true));
  }, []);
  return there;
}

const waiting = (
  <main id="room" className="p-7 text-ash" aria-busy>
    <h1 className="text-2xl">One moment</h1>
  </main>
);

export function App() {
  const holding = useRead(["holding"], () => client.GET("/api/holding"));
  const first = useFirstRoom();
  if (!holding.data || !first) {
    return holding.error && !holding.data ? (
      <main className="p-7">
        <h1 className="text-2xl">Mud Pie</h1>
        <Wrong problem={holding.error} />
      </main>
    ) : (
      waiting
    );
  }
  return (
    <Holding.Provider value={holding.data}>
      <Suspense fallback={waiting}>
        <Routes>
          {!holding.data.setUp && <Route path="*" element={<setup.Opened />} />}
          {holding.data.setUp && (
            <Route element={<Shell holding={holding.data} />}>
              <Route path="/" element={<Today />} />
              {Object.entries(rooms).map(([path, { Opened }]) => (
                <Route key={path} path={path} element={<Opened />} />
              ))}
              <Route path="*" element={<Navigate to="/" replace />} />
            </Route>
          )}
        </Routes>
      </Suspense>
    </Holding.Provider>
  );
}
