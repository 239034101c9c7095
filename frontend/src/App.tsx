import "dayjs/locale/es";

import { DatesProvider } from "@mantine/dates";
import { type Query, useQuery, useQueryClient } from "@tanstack/react-query";
import { lazy, Suspense, useEffect, useState, useSyncExternalStore } from "react";
import { Navigate, Route, Routes } from "react-router";

import { answer, api, onExpired, setRequestToken } from "./api/client";
import type { Me } from "./api/types";
import { ExercisesPage } from "./exercise/ExercisesPage";
import { ChoosePassword } from "./frame/ChoosePassword";
import { LogIn } from "./frame/LogIn";
import { MeContext } from "./frame/me";
import { Waiting } from "./frame/Messages";
import { Header } from "./frame/Header";
import { browserLanguage, language, onSpeak, speak } from "./frame/language";

const ArrangeSetPage = lazy(() => import("./set/ArrangeSetPage"));
const BenchPage = lazy(() => import("./bench/BenchPage"));
const CorrectionPage = lazy(() => import("./bench/CorrectionPage"));
const ShelfPage = lazy(() => import("./shelf/ShelfPage"));
const AssemblyPage = lazy(() => import("./assembly/AssemblyPage"));
const BuilderPage = lazy(() => import("./builder/BuilderPage"));
const PartPage = lazy(() => import("./shelf/PartPage"));
const NewExercisePage = lazy(() => import("./exercise/NewExercisePage"));
const EditExercisePage = lazy(() => import("./exercise/EditExercisePage"));
const WallPage = lazy(() => import("./wall/WallPage"));
const NewSetPage = lazy(() => import("./set/NewSetPage"));
const SetWallPage = lazy(() => import("./set/SetWallPage"));
const SlipsPage = lazy(() => import("./wall/SlipsPage"));
const TablePage = lazy(() => import("./table/TablePage"));
const SheetFormsPage = lazy(() => import("./sheetForm/SheetFormsPage"));
const FormEditorPage = lazy(() => import("./sheetForm/FormEditorPage"));
const ClassesPage = lazy(() => import("./people/ClassesPage"));
const RulePage = lazy(() => import("./rules/RulePage"));
const RulesPage = lazy(() => import("./rules/RulesPage"));
const SchemePage = lazy(() => import("./scheme/SchemePage"));
const LearnedPage = lazy(() => import("./people/LearnedPage"));
const ProgressPage = lazy(() => import("./people/ProgressPage"));
const DeedsPage = lazy(() => import("./people/DeedsPage"));
const PeoplePage = lazy(() => import("./people/PeoplePage"));

/** What is being worked on is not fetched again under the hand. */
const KEEPING = new Set<unknown>(["me", "draft", "recipe", "assembly", "mesh", "sheet form"]);

async function whoAmI(): Promise<Me | null> {
  const me = await answer(api.GET("/api/log-in"));
  if (me) await speak(me.language ?? browserLanguage());
  return me ?? null;
}

export function App() {
  const queries = useQueryClient();
  const [ended, setEnded] = useState(false);
  // Everything below is said anew when the language changes; what the service said is asked for again.
  const spoken = useSyncExternalStore(onSpeak, language);
  useEffect(() => {
    const anew = { predicate: ({ queryKey }: Query) => !KEEPING.has(queryKey[0]) };
    return onSpeak(() => void queries.invalidateQueries(anew));
  }, [queries]);
  const me = useQuery({ queryKey: ["me"], queryFn: whoAmI, staleTime: Infinity });
  useEffect(() => onExpired(() => setEnded(true)), []);
  useEffect(() => setRequestToken(me.data?.token ?? ""), [me.data]);

  const entered = (who: Me) => {
    setRequestToken(who.token);
    void speak(who.language ?? browserLanguage());
    const other = me.data && me.data.login !== who.login;
    queries.setQueryData(["me"], who);
    setEnded(false);
    if (other) window.location.assign("/");
  };

  if (me.isPending) return <Waiting />;
  if (me.error) return <LogIn onEntered={entered} problem={me.error.message} />;
  if (!me.data) return <LogIn onEntered={entered} />;
  if (me.data.must_change) {
    return (
      <main style={{ maxWidth: 420, margin: "12vh auto", padding: 24 }}>
        <ChoosePassword first onChosen={entered} />
      </main>
    );
  }
  // An expired log-in is asked for over the page, so that what is on it stays.
  return (
    <MeContext value={me.data}>
      <DatesProvider settings={{ locale: spoken, firstDayOfWeek: 1, weekendDays: [] }}>
        {ended && <LogIn onEntered={entered} over login={me.data.login} />}
        <Suspense fallback={<Waiting />}>
          <Routes>
            <Route path="/" element={<Home me={me.data} />} />
            <Route path="/classes" element={<ClassesPage />} />
            <Route path="/classes/:school/learned" element={<LearnedPage />} />
            <Route path="/rules" element={<RulesPage />} />
            <Route path="/rules/:rule" element={<RulePage />} />
            <Route path="/progress" element={<ProgressPage />} />
            <Route path="/deeds" element={<DeedsPage />} />
            <Route path="/shelf" element={<ShelfPage />} />
            <Route path="/shelf/new" element={<BuilderPage />} />
            <Route path="/shelf/:part" element={<PartPage />} />
            <Route path="/shelf/:part/build" element={<BuilderPage />} />
            <Route path="/shelf/assembly" element={<AssemblyPage />} />
            <Route path="/shelf/:part/components" element={<AssemblyPage />} />
            <Route path="/sheet-forms" element={<SheetFormsPage />} />
            <Route path="/sheet-forms/:form" element={<FormEditorPage />} />
            <Route path="/exercises/new" element={<NewExercisePage />} />
            <Route path="/exercises/:exercise/edit" element={<EditExercisePage />} />
            <Route path="/exercises/:exercise/wall" element={<WallPage />} />
            <Route path="/sets/new" element={<NewSetPage />} />
            <Route path="/sets/:set/edit" element={<ArrangeSetPage />} />
            <Route path="/sets/:set/slips" element={<SlipsPage />} />
            <Route path="/sets/:set/wall" element={<SetWallPage />} />
            <Route path="/exercises/:exercise/slips" element={<SlipsPage />} />
            <Route path="/exercises/:exercise/marking" element={<SchemePage />} />
            <Route path="/exercises/:exercise/bench" element={<BenchPage />} />
            <Route path="/sheets/:sheet" element={<TablePage />} />
            <Route path="/sheets/:sheet/correction" element={<CorrectionPage />} />
            <Route path="*" element={<Navigate to="/" replace />} />
          </Routes>
        </Suspense>
      </DatesProvider>
    </MeContext>
  );
}

function Home({ me }: { me: Me }) {
  return (
    <>
      <Header />
      {me.role === "admin" ? <PeoplePage /> : <ExercisesPage />}
    </>
  );
}
