import { createBrowserRouter, type LoaderFunctionArgs } from "react-router";
import { Home, StudioGate } from "./account/index.js";
import { NoSuchPage, PageFault } from "./app/faults.js";
import { queryClient } from "./app/query-client.js";
import { currentStudio, enterStudio } from "./app/studio.js";
import { InReach, Shell } from "./shell/index.js";
import { KnownGroup } from "./students/known-group.js";

/** Settles the tab's studio before anything of its pages asks the server. */
function enter({ params }: LoaderFunctionArgs): null {
  const { studioId = null } = params;
  // What others changed in a studio is not heard of in another: what is known of it is read anew.
  if (currentStudio() !== null && currentStudio() !== studioId)
    void queryClient.invalidateQueries({ refetchType: "none" });
  enterStudio(studioId);
  return null;
}

const account = {
  signIn: async () => ({ Component: (await import("./account/sign-in-page.js")).SignInPage }),
  setUp: async () => ({ Component: (await import("./account/set-up-page.js")).SetUpPage }),
  forgot: async () => ({ Component: (await import("./account/link-pages.js")).ForgotPage }),
  reset: async () => ({ Component: (await import("./account/link-pages.js")).ResetPage }),
  join: async () => ({ Component: (await import("./account/link-pages.js")).JoinPage }),
};

export const router = createBrowserRouter([
  {
    errorElement: <PageFault />,
    children: [
      { path: "/", element: <Home /> },
      { path: "sign-in", lazy: account.signIn },
      { path: "set-up", lazy: account.setUp },
      { path: "forgot", lazy: account.forgot },
      { path: "reset", lazy: account.reset },
      { path: "join", lazy: account.join },
      {
        path: "shared/:token",
        lazy: async () => ({ Component: (await import("./combos/shared-page.js")).SharedPage }),
      },
      {
        path: ":studioId",
        loader: enter,
        children: [
          {
            element: (
              <StudioGate>
                <InReach>
                  <Shell />
                </InReach>
              </StudioGate>
            ),
            children: [
              {
                element: <KnownGroup />,
                // A page that fails leaves the way to the others.
                errorElement: <PageFault />,
                children: [
                  { index: true, element: <Home /> },
                  {
                    path: "start",
                    lazy: async () => ({ Component: (await import("./start/start-page.js")).StartPage }),
                  },
                  {
                    path: "today",
                    lazy: async () => ({ Component: (await import("./today/today-page.js")).TodayPage }),
                  },
                  {
                    path: "lessons/:lessonId/plan",
                    lazy: async () => ({ Component: (await import("./lesson/plan-page.js")).PlanPage }),
                  },
                  {
                    path: "students",
                    lazy: async () => ({
                      Component: (await import("./students/students-page.js")).StudentsPage,
                    }),
                  },
                  {
                    path: "students/import",
                    lazy: async () => ({
                      Component: (await import("./roster-file/import-page.js")).ImportPage,
                    }),
                  },
                  {
                    path: "students/sets",
                    lazy: async () => ({
                      Component: (await import("./set-file/sets-page.js")).SetsPage,
                    }),
                  },
                  {
                    path: "students/:studentId",
                    lazy: async () => ({
                      Component: (await import("./students/student-frame.js")).StudentFrame,
                    }),
                    children: [
                      {
                        index: true,
                        lazy: async () => ({
                          Component: (await import("./strands/strands-page.js")).StrandsPage,
                        }),
                      },
                      {
                        path: "frontier",
                        lazy: async () => ({
                          Component: (await import("./frontier/frontier-page.js")).FrontierPage,
                        }),
                      },
                      {
                        path: "session",
                        lazy: async () => ({
                          Component: (await import("./session/session-page.js")).SessionPage,
                        }),
                      },
                      {
                        path: "weeks",
                        lazy: async () => ({
                          Component: (await import("./session/weeks-page.js")).WeeksPage,
                        }),
                      },
                      {
                        path: "outline",
                        lazy: async () => ({
                          Component: (await import("./strands/outline-page.js")).OutlinePage,
                        }),
                      },
                      {
                        path: "placement",
                        lazy: async () => ({
                          Component: (await import("./placement/placement-page.js")).PlacementPage,
                        }),
                      },
                      {
                        path: "progress",
                        lazy: async () => ({
                          Component: (await import("./progress/progress-page.js")).ProgressPage,
                        }),
                      },
                      {
                        path: "home",
                        lazy: async () => ({
                          Component: (await import("./home-practice/home-page.js")).HomePracticePage,
                        }),
                      },
                      {
                        path: "report",
                        lazy: async () => ({
                          Component: (await import("./report/report-page.js")).ReportPage,
                        }),
                      },
                      {
                        path: "log",
                        lazy: async () => ({
                          Component: (await import("./log/log-page.js")).LogPage,
                        }),
                      },
                      {
                        path: "record",
                        lazy: async () => ({
                          Component: (await import("./record/record-page.js")).RecordPage,
                        }),
                      },
                      {
                        path: "schools",
                        lazy: async () => ({
                          Component: (await import("./strands/schools-page.js")).SchoolsPage,
                        }),
                      },
                    ],
                  },
                  {
                    path: "class/:groupId?",
                    lazy: async () => ({ Component: (await import("./class/class-page.js")).ClassPage }),
                  },
                  {
                    path: "class/:groupId/progress",
                    lazy: async () => ({
                      Component: (await import("./progress/class-progress-page.js")).ClassProgressPage,
                    }),
                  },
                  {
                    path: "class/:groupId/season",
                    lazy: async () => ({
                      Component: (await import("./progress/season-page.js")).SeasonPage,
                    }),
                  },
                  {
                    path: "class/:groupId/weeks",
                    lazy: async () => ({
                      Component: (await import("./class/class-weeks-page.js")).ClassWeeksPage,
                    }),
                  },
                  {
                    path: "combos",
                    lazy: async () => ({ Component: (await import("./combos/combos-frame.js")).CombosFrame }),
                    children: [
                      {
                        index: true,
                        lazy: async () => ({ Component: (await import("./combos/shelf-page.js")).ShelfPage }),
                      },
                      {
                        path: "bench",
                        lazy: async () => ({ Component: (await import("./combos/bench-page.js")).BenchPage }),
                      },
                      {
                        path: "make",
                        lazy: async () => ({ Component: (await import("./combos/make-page.js")).MakePage }),
                      },
                      {
                        path: "freestyle",
                        lazy: async () => ({
                          Component: (await import("./combos/freestyle-page.js")).FreestylePage,
                        }),
                      },
                      {
                        path: ":comboId",
                        lazy: async () => ({ Component: (await import("./combos/combo-page.js")).ComboPage }),
                      },
                    ],
                  },
                  {
                    path: "programmes",
                    lazy: async () => ({
                      Component: (await import("./programmes/programmes-page.js")).ProgrammesPage,
                    }),
                  },
                  {
                    path: "programmes/:programmeId/certificates/:groupId?",
                    lazy: async () => ({
                      Component: (await import("./programmes/certificates-page.js")).CertificatesPage,
                    }),
                  },
                  {
                    path: "programmes/:programmeId/:groupId?",
                    lazy: async () => ({
                      Component: (await import("./programmes/programme-page.js")).ProgrammePage,
                    }),
                  },
                  {
                    path: "skills/order",
                    lazy: async () => ({
                      Component: (await import("./skill-order/skill-order-page.js")).SkillOrderPage,
                    }),
                  },
                  {
                    path: "skills/:skillId?",
                    lazy: async () => ({
                      Component: (await import("./skill-book/skill-book-page.js")).SkillBookPage,
                    }),
                  },
                  {
                    path: "timing",
                    lazy: async () => ({ Component: (await import("./timing/timing-page.js")).TimingPage }),
                  },
                  {
                    path: "frames",
                    lazy: async () => ({ Component: (await import("./figure/frames-page.js")).FramesPage }),
                  },
                  {
                    path: "studio",
                    lazy: async () => ({ Component: (await import("./studio/studio-page.js")).StudioPage }),
                  },
                  { path: "*", element: <NoSuchPage /> },
                ],
              },
            ],
          },
          {
            element: (
              <StudioGate stays>
                <InReach>
                  <KnownGroup />
                </InReach>
              </StudioGate>
            ),
            children: [
              {
                path: "lessons/:lessonId",
                lazy: async () => ({ Component: (await import("./lesson/hall-page.js")).HallPage }),
              },
              {
                path: "lessons/:lessonId/turns/:turn/stations/:station",
                lazy: async () => ({ Component: (await import("./lesson/station-page.js")).StationPage }),
              },
              {
                path: "class/:groupId/round/:subject",
                lazy: async () => ({ Component: (await import("./floor/round-page.js")).RoundPage }),
              },
              {
                path: "class/:groupId/combos/:comboId",
                lazy: async () => ({
                  Component: (await import("./combos/combo-round-page.js")).ComboRoundPage,
                }),
              },
              {
                path: "students/:studentId/session/now",
                lazy: async () => ({ Component: (await import("./session/led-page.js")).LedPage }),
              },
              {
                path: "students/:studentId/clock",
                lazy: async () => ({ Component: (await import("./clock/clock-page.js")).StudentClockPage }),
              },
              {
                path: "combos/freestyle/clock",
                lazy: async () => ({
                  Component: (await import("./clock/freestyle-clock-page.js")).FreestyleClockPage,
                }),
              },
              {
                path: "class/:groupId/clock",
                lazy: async () => ({ Component: (await import("./clock/clock-page.js")).ClassClockPage }),
              },
              {
                path: "students/:studentId/base-test",
                lazy: async () => ({
                  Component: (await import("./floor/base-test-page.js")).BaseTestPage,
                }),
              },
              {
                path: "students/:studentId/combos/:comboId/:side/:step",
                lazy: async () => ({
                  Component: (await import("./combos/combo-floor-page.js")).ComboFloorPage,
                }),
              },
              {
                path: "students/:studentId/floor/:subject/:side",
                lazy: async () => ({ Component: (await import("./floor/floor-page.js")).FloorPage }),
              },
            ],
          },
        ],
      },
      { path: "*", element: <NoSuchPage /> },
    ],
  },
]);
