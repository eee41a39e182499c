import { lazy, Suspense } from "react";
import { Navigate, Route, Routes } from "react-router-dom";
import { client, useRead } from "./api/client";
import { Holding } from "./parts/clock";
import { Shell } from "./parts/Shell";
import { Wrong } from "./parts/Wrong";
import { Today } from "./rooms/today/Today";

const Setup = lazy(() => import("./rooms/setup/Setup").then((m) => ({ default: m.Setup })));
const Ground = lazy(() => import("./rooms/ground/Ground").then((m) => ({ default: m.Ground })));
const BrewRoom = lazy(() => import("./rooms/brew/BrewRoom").then((m) => ({ default: m.BrewRoom })));
const PlanBrew = lazy(() => import("./rooms/brew/PlanBrew").then((m) => ({ default: m.PlanBrew })));
const BatchPage = lazy(() => import("./rooms/brew/BatchPage").then((m) => ({ default: m.BatchPage })));
const WaterBench = lazy(() => import("./rooms/brew/WaterBench").then((m) => ({ default: m.WaterBench })));
const Sources = lazy(() => import("./rooms/brew/Sources").then((m) => ({ default: m.Sources })));
const RecipeRoom = lazy(() => import("./rooms/brew/RecipeRoom").then((m) => ({ default: m.RecipeRoom })));
const AirRoom = lazy(() => import("./rooms/brew/AirRoom").then((m) => ({ default: m.AirRoom })));
const Ask = lazy(() => import("./rooms/brew/Ask").then((m) => ({ default: m.Ask })));
const LensRoom = lazy(() => import("./rooms/brew/LensRoom").then((m) => ({ default: m.LensRoom })));
const CleanRoom = lazy(() => import("./rooms/brew/CleanRoom").then((m) => ({ default: m.CleanRoom })));
const BackRoom = lazy(() => import("./rooms/brew/BackRoom").then((m) => ({ default: m.BackRoom })));
const PracticeRoom = lazy(() => import("./rooms/brew/PracticeRoom").then((m) => ({ default: m.PracticeRoom })));
const Card = lazy(() => import("./rooms/brew/Card").then((m) => ({ default: m.Card })));
const WatchRoom = lazy(() => import("./rooms/watch/WatchRoom").then((m) => ({ default: m.WatchRoom })));
const PutOutRoom = lazy(() => import("./rooms/put-out/PutOutRoom").then((m) => ({ default: m.PutOutRoom })));
const Tank = lazy(() => import("./rooms/put-out/Tank").then((m) => ({ default: m.Tank })));
const Windows = lazy(() => import("./rooms/put-out/Windows").then((m) => ({ default: m.Windows })));
const Dose = lazy(() => import("./rooms/put-out/Dose").then((m) => ({ default: m.Dose })));
const SeasonRoom = lazy(() => import("./rooms/put-out/SeasonRoom").then((m) => ({ default: m.SeasonRoom })));
const SprayerRoom = lazy(() => import("./rooms/put-out/SprayerRoom").then((m) => ({ default: m.SprayerRoom })));
const MixRoom = lazy(() => import("./rooms/put-out/MixRoom").then((m) => ({ default: m.MixRoom })));
const Shelf = lazy(() => import("./rooms/shelf/Shelf").then((m) => ({ default: m.Shelf })));
const Book = lazy(() => import("./rooms/book/Book").then((m) => ({ default: m.Book })));
const Thread = lazy(() => import("./rooms/book/Thread").then((m) => ({ default: m.Thread })));
const SeasonRecord = lazy(() => import("./rooms/book/SeasonRecord").then((m) => ({ default: m.SeasonRecord })));
const PlanOfBeds = lazy(() => import("./rooms/book/PlanOfBeds").then((m) => ({ default: m.PlanOfBeds })));
const TrialsRoom = lazy(() => import("./rooms/judge/TrialsRoom").then((m) => ({ default: m.TrialsRoom })));
const TrialForm = lazy(() => import("./rooms/judge/TrialForm").then((m) => ({ default: m.TrialForm })));
const TrialPage = lazy(() => import("./rooms/judge/TrialPage").then((m) => ({ default: m.TrialPage })));
const Sheet = lazy(() => import("./rooms/judge/Sheet").then((m) => ({ default: m.Sheet })));
const TrialPrint = lazy(() => import("./rooms/judge/TrialPrint").then((m) => ({ default: m.TrialPrint })));
const PatchRoom = lazy(() => import("./rooms/judge/PatchRoom").then((m) => ({ default: m.PatchRoom })));
const AcrossRoom = lazy(() => import("./rooms/judge/AcrossRoom").then((m) => ({ default: m.AcrossRoom })));
const PlotPractice = lazy(() => import("./rooms/judge/PlotPractice").then((m) => ({ default: m.PlotPractice })));
const BrixBed = lazy(() => import("./rooms/judge/BrixBed").then((m) => ({ default: m.BrixBed })));
const Brix = lazy(() => import("./rooms/judge/Brix").then((m) => ({ default: m.Brix })));

const waiting = (
  <main id="room" className="p-7 text-ash" aria-busy>
    <h1 className="text-2xl">One moment</h1>
  </main>
);

export function App() {
  const holding = useRead(["holding"], () => client.GET("/api/holding"));
  if (!holding.data) {
    return holding.error ? (
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
          {!holding.data.setUp && <Route path="*" element={<Setup />} />}
          {holding.data.setUp && (
            <Route element={<Shell holding={holding.data} />}>
              <Route path="/" element={<Today />} />
              <Route path="/ground" element={<Ground />} />
              <Route path="/brew" element={<BrewRoom />} />
              <Route path="/brew/plan" element={<PlanBrew />} />
              <Route path="/brew/water" element={<WaterBench />} />
              <Route path="/brew/sources" element={<Sources />} />
              <Route path="/brew/recipes" element={<RecipeRoom />} />
              <Route path="/brew/air" element={<AirRoom />} />
              <Route path="/brew/ask" element={<Ask />} />
              <Route path="/brew/microscope" element={<LensRoom />} />
              <Route path="/brew/clean" element={<CleanRoom />} />
              <Route path="/brew/back" element={<BackRoom />} />
              <Route path="/brew/practice" element={<PracticeRoom />} />
              <Route path="/brew/:id/card" element={<Card />} />
              <Route path="/watch" element={<WatchRoom />} />
              <Route path="/brew/:id" element={<BatchPage />} />
              <Route path="/put-out" element={<PutOutRoom />} />
              <Route path="/put-out/windows" element={<Windows />} />
              <Route path="/put-out/tank" element={<Tank />} />
              <Route path="/put-out/dose" element={<Dose />} />
              <Route path="/put-out/season" element={<SeasonRoom />} />
              <Route path="/put-out/sprayers" element={<SprayerRoom />} />
              <Route path="/put-out/mixing" element={<MixRoom />} />
              <Route path="/put-out/:id" element={<Tank />} />
              <Route path="/shelf" element={<Shelf />} />
              <Route path="/book" element={<Book />} />
              <Route path="/book/thread" element={<Thread />} />
              <Route path="/book/season" element={<SeasonRecord />} />
              <Route path="/book/plan" element={<PlanOfBeds />} />
              <Route path="/judge" element={<TrialsRoom />} />
              <Route path="/judge/new" element={<TrialForm />} />
              <Route path="/judge/trials/:id" element={<TrialPage />} />
              <Route path="/judge/trials/:id/plan" element={<TrialForm />} />
              <Route path="/judge/trials/:id/sheet" element={<Sheet />} />
              <Route path="/judge/trials/:id/print" element={<TrialPrint />} />
              <Route path="/judge/patches" element={<PatchRoom />} />
              <Route path="/judge/across" element={<AcrossRoom />} />
              <Route path="/judge/practice" element={<PlotPractice />} />
              <Route path="/judge/brix/:id" element={<BrixBed />} />
              <Route path="/judge/brix" element={<Brix />} />
              <Route path="*" element={<Navigate to="/" replace />} />
            </Route>
          )}
        </Routes>
      </Suspense>
    </Holding.Provider>
  );
}
