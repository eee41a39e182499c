import { type ComponentType, lazy, useDeferredValue, useEffect, useState } from "react";
import { generatePath, matchPath, Navigate, Route, Routes, useLocation, useParams } from "react-router-dom";
import { useRead } from "./api/data";
import { Holding } from "./parts/clock";
import { moved } from "./parts/places";
import { Coming, Ready } from "./parts/Ready";
import { Shell } from "./parts/Shell";
import { SignIn } from "./parts/SignIn";
import { Today } from "./rooms/today/Today";
import { Waiting } from "./rooms/today/Waiting";

/** A room whose code comes when it is first asked for; `ready` fetches it beforehand. What is ready is shown at once: after a
 * fallback, Suspense holds back what it waited for by 300 ms. */
function room<K extends string>(load: () => Promise<Record<K, ComponentType>>, name: K) {
  let Known: ComponentType | undefined;
  const Waited: ComponentType = lazy(() => load().then((m) => ({ default: m[name] as ComponentType })));
  function Opened() {
    const [atOnce] = useState(Known !== undefined); // and stays so: another component would begin anew
    return atOnce && Known ? <Known /> : <Waited />;
  }
  const ready = () => load().then((m) => void (Known = m[name]));
  return { Opened, ready };
}

const join = room(() => import("./rooms/people/JoinPage"), "JoinPage");
const box = room(() => import("./rooms/box/BoxShell"), "BoxShell");
const setup = room(() => import("./rooms/setup/Setup"), "Setup");

const places = {
  "/look": room(() => import("./rooms/look/LookRoom"), "LookRoom"),
  "/look/leaves": room(() => import("./rooms/judge/Brix"), "Brix"),
  "/look/leaves/:id": room(() => import("./rooms/judge/BrixBed"), "BrixBed"),
  "/look/walk": room(() => import("./rooms/look/WalkRoom"), "WalkRoom"),
  "/look/walk/new": room(() => import("./rooms/look/WalkForm"), "WalkNew"),
  "/look/walk/:id": room(() => import("./rooms/look/WalkPage"), "WalkPage"),
  "/look/walk/:id/change": room(() => import("./rooms/look/WalkForm"), "WalkChange"),
  "/look/pegs/new": room(() => import("./rooms/look/PegForm"), "PegNew"),
  "/look/pegs/:id": room(() => import("./rooms/look/PegPage"), "PegPage"),
  "/look/pegs/:id/change": room(() => import("./rooms/look/PegForm"), "PegChange"),
  "/look/sheets": room(() => import("./rooms/look/SheetsRoom"), "SheetsRoom"),
  "/look/sheets/sampling": room(() => import("./rooms/look/SamplingPage"), "SamplingPage"),
  "/look/sheets/:id": room(() => import("./rooms/look/BedSheetsPage"), "BedSheetsPage"),
  "/look/goals": room(() => import("./rooms/look/GoalsRoom"), "GoalsRoom"),
  "/look/plantings": room(() => import("./rooms/look/PlantingsRoom"), "PlantingsRoom"),
  "/look/plantings/:id": room(() => import("./rooms/look/PlantingPage"), "PlantingPage"),
  "/look/zones": room(() => import("./rooms/look/ZonesRoom"), "ZonesRoom"),
  "/look/years": room(() => import("./rooms/look/YearsRoom"), "YearsRoom"),
  "/look/checks": room(() => import("./rooms/look/ChecksRoom"), "ChecksRoom"),
  "/make": room(() => import("./rooms/make/YardRoom"), "YardRoom"),
  "/make/heap": room(() => import("./rooms/make/HeapRoom"), "HeapRoom"),
  "/make/heap/new": room(() => import("./rooms/make/HeapBench"), "HeapNew"),
  "/make/heap/:id": room(() => import("./rooms/make/HeapPage"), "HeapPage"),
  "/make/heap/:id/label": room(() => import("./rooms/make/YardLabels"), "HeapLabel"),
  "/make/worms/:id/label": room(() => import("./rooms/make/YardLabels"), "TrayLabels"),
  "/make/worms": room(() => import("./rooms/make/WormRoom"), "WormRoom"),
  "/make/worms/new": room(() => import("./rooms/make/WormBench"), "WormNew"),
  "/make/worms/:id": room(() => import("./rooms/make/WormPage"), "WormPage"),
  "/make/worms/:id/change": room(() => import("./rooms/make/WormBench"), "WormChange"),
  "/make/prep/new": room(() => import("./rooms/almanac/PrepForm"), "PrepNew"),
  "/make/prep/:id": room(() => import("./rooms/almanac/PrepPage"), "PrepPage"),
  "/make/prep/:id/change": room(() => import("./rooms/almanac/PrepForm"), "PrepChange"),
  "/keep/almanac": room(() => import("./rooms/almanac/AlmanacRoom"), "AlmanacRoom"),
  "/keep/people": room(() => import("./rooms/people/PeopleRoom"), "PeopleRoom"),
  "/make/sheet": room(() => import("./rooms/make/SheetRoom"), "SheetRoom"),
  "/make/sheet/beside": room(() => import("./rooms/make/BesideRoom"), "BesideRoom"),
  "/make/byproduct": room(() => import("./rooms/make/ByproductRoom"), "ByproductRoom"),
  "/make/byproduct/:id": room(() => import("./rooms/make/ByproductPage"), "ByproductPage"),
  "/make/sheet/new": room(() => import("./rooms/make/SheetBench"), "SheetNew"),
  "/make/sheet/:id": room(() => import("./rooms/make/SheetBench"), "SheetPage"),
  "/make/char": room(() => import("./rooms/make/CharRoom"), "CharRoom"),
  "/make/char/new": room(() => import("./rooms/make/BurnBench"), "BurnNew"),
  "/make/char/:id": room(() => import("./rooms/make/BurnPage"), "BurnPage"),
  "/make/char/:id/change": room(() => import("./rooms/make/BurnBench"), "BurnChange"),
  "/make/mix": room(() => import("./rooms/make/MixRoom"), "MixRoom"),
  "/make/mix/new": room(() => import("./rooms/make/MixBench"), "MixNew"),
  "/make/mix/:id": room(() => import("./rooms/make/MixJob"), "MixJob"),
  "/make/mix/:id/change": room(() => import("./rooms/make/MixBench"), "MixChange"),
  "/make/mix/:id/card": room(() => import("./rooms/make/MixCard"), "MixCard"),
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
  "/brew/shared": room(() => import("./rooms/brew/SharedRoom"), "SharedRoom"),
  "/brew/practice": room(() => import("./rooms/brew/PracticeRoom"), "PracticeRoom"),
  "/brew/:id/card": room(() => import("./rooms/brew/Card"), "Card"),
  "/brew/:id": room(() => import("./rooms/brew/BatchPage"), "BatchPage"),
  "/put-out": room(() => import("./rooms/put-out/PutOutRoom"), "PutOutRoom"),
  "/put-out/windows": room(() => import("./rooms/put-out/Windows"), "Windows"),
  "/put-out/tank": room(() => import("./rooms/put-out/Tank"), "Tank"),
  "/put-out/solid": room(() => import("./rooms/put-out/Solid"), "Solid"),
  "/put-out/dose": room(() => import("./rooms/put-out/Dose"), "Dose"),
  "/put-out/season": room(() => import("./rooms/put-out/SeasonRoom"), "SeasonRoom"),
  "/put-out/sprayers": room(() => import("./rooms/put-out/SprayerRoom"), "SprayerRoom"),
  "/put-out/mixing": room(() => import("./rooms/put-out/MixRoom"), "MixRoom"),
  "/put-out/:id": room(() => import("./rooms/put-out/Tank"), "Tank"),
  "/judge": room(() => import("./rooms/judge/TrialsRoom"), "TrialsRoom"),
  "/judge/new": room(() => import("./rooms/judge/TrialForm"), "TrialForm"),
  "/judge/trials/:id": room(() => import("./rooms/judge/TrialPage"), "TrialPage"),
  "/judge/trials/:id/plan": room(() => import("./rooms/judge/TrialForm"), "TrialForm"),
  "/judge/trials/:id/sheet": room(() => import("./rooms/judge/Sheet"), "Sheet"),
  "/judge/trials/:id/print": room(() => import("./rooms/judge/TrialPrint"), "TrialPrint"),
  "/judge/patches": room(() => import("./rooms/judge/PatchRoom"), "PatchRoom"),
  "/judge/claims": room(() => import("./rooms/judge/ClaimsRoom"), "ClaimsRoom"),
  "/judge/together": room(() => import("./rooms/judge/TogetherRoom"), "TogetherRoom"),
  "/judge/across": room(() => import("./rooms/judge/AcrossRoom"), "AcrossRoom"),
  "/judge/reckoning": room(() => import("./rooms/judge/ReckoningRoom"), "ReckoningRoom"),
  "/judge/reckoning/print": room(() => import("./rooms/judge/ReckoningPrint"), "ReckoningPrint"),
  "/judge/ahead": room(() => import("./rooms/judge/AheadRoom"), "AheadRoom"),
  "/judge/harm": room(() => import("./rooms/judge/HarmRoom"), "HarmRoom"),
  "/judge/practice": room(() => import("./rooms/judge/PlotPractice"), "PlotPractice"),
  "/shelf/label": room(() => import("./rooms/shelf/LotLabel"), "LotLabel"),
  "/shelf": room(() => import("./rooms/shelf/Shelf"), "Shelf"),
  "/book": room(() => import("./rooms/book/Book"), "Book"),
  "/book/thread": room(() => import("./rooms/book/Thread"), "Thread"),
  "/book/season": room(() => import("./rooms/book/SeasonRecord"), "SeasonRecord"),
  "/ground": room(() => import("./rooms/ground/Ground"), "Ground"),
  "/watch": room(() => import("./rooms/watch/WatchRoom"), "WatchRoom"),
};

let there = false;

/** Fetches the code of the room at this address; done once it is there, or can't be had now (its room then says so). */
export async function firstRoom() {
  const first = Object.entries(places).find(([path]) => matchPath(path, location.pathname))?.[1];
  await Promise.resolve(first?.ready()).catch(() => undefined);
  there = true;
}

function useFirstRoom() {
  const [now, setNow] = useState(there);
  useEffect(() => void firstRoom().then(() => setNow(true)), []);
  return now;
}

/** An address of before leads on, with all that was asked of it. */
function LeadsOn({ to }: { to: string }) {
  const { search, hash } = useLocation();
  return <Navigate to={generatePath(to, useParams()) + search + hash} replace />;
}

/**
 * The room that is asked for. Until it is there the one before stays, and the shape of what comes in its place if that takes
 * long; what it can't read is said here, and the rest of the page goes on.
 */
function Rooms() {
  const here = useLocation();
  const shown = useDeferredValue(here);
  const late = shown !== here;
  return (
    <>
      {late && (
        <div className="late">
          <Coming as="div" />
        </div>
      )}
      <div className={late ? "leaving" : undefined}>
        <Ready
          at={shown.pathname + shown.search}
          coming={<Coming />}
          around={(failed) => (
            <main id="room" className="p-4 wide:p-7">
              {failed}
            </main>
          )}
        >
          <Routes location={shown}>
            <Route path="/" element={<Today />} />
            <Route path="/waiting" element={<Waiting />} />
            {Object.entries(places).map(([path, { Opened }]) => (
              <Route key={path} path={path} element={<Opened />} />
            ))}
            {moved.map(([from, to]) => (
              <Route key={from} path={from} element={<LeadsOn to={to} />} />
            ))}
            <Route path="*" element={<Navigate to="/" replace />} />
          </Routes>
        </Ready>
      </div>
    </>
  );
}

/** Whose door this is: a holding's, or that of a box for several. */
function Open() {
  const me = useRead("/api/me");
  return me.atBox ? <box.Opened /> : <HoldingOpen />;
}

function HoldingOpen() {
  const holding = useRead("/api/holding");
  const first = useFirstRoom();
  if (!first) return <Coming />;
  return (
    <Holding value={holding}>
      {holding.setUp ? (
        <Shell holding={holding}>
          <Rooms />
        </Shell>
      ) : (
        <Ready coming={<Coming />}>
          <setup.Opened />
        </Ready>
      )}
    </Holding>
  );
}

export function App() {
  return (
    <>
      <Ready coming={<Coming />} around={(failed) => <main className="p-7">{failed}</main>}>
        {location.pathname === "/join" ? <join.Opened /> : <Open />}
      </Ready>
      <SignIn />
    </>
  );
}
