import { ActionIcon, Text, Tooltip, UnstyledButton } from "@mantine/core";
import {
  IconBook2,
  IconCalendarCheck,
  IconGridDots,
  IconHome,
  IconKeyboard,
  IconLink,
  IconRefresh,
  IconSearch,
  IconUsers,
  type Icon,
} from "@tabler/icons-react";
import { Link, NavLink, Outlet, useLocation, useNavigation } from "react-router";
import { usePaths } from "../app/paths.js";
import { useReach } from "../app/reach.js";
import { useNewVersion } from "../app/updates.js";
import { OutboxNote } from "../device/index.js";
import { PageChange } from "./page-change.js";
import classes from "./shell.module.css";

interface ToolProps {
  readonly label: string;
  readonly shortcut: string;
  readonly Icon: Icon;
  readonly onPress: () => void;
  readonly className?: string | undefined;
}

/** What is in reach of every page, at the foot of the rail. */
function Tool({ label, shortcut, Icon, onPress, className = "" }: ToolProps) {
  return (
    <Tooltip label={`${label} (${shortcut})`} position="right">
      <ActionIcon
        variant="subtle"
        size={44}
        onClick={onPress}
        aria-label={label}
        className={`${classes.tool} ${className}`}
      >
        <Icon size={22} stroke={1.6} aria-hidden />
      </ActionIcon>
    </Tooltip>
  );
}

/** The frame of the desk screens: where one is, what waits to be sent, and the page. */
export function Shell() {
  const navigation = useNavigation();
  const { pathname } = useLocation();
  const paths = usePaths();
  const takeNewVersion = useNewVersion();
  const { find, showKeys } = useReach();
  return (
    <div className={classes.frame}>
      <a className={classes.skip} href="#page">
        Skip to the page
      </a>
      <header className={classes.rail}>
        <Link to={paths.today} className={classes.mark}>
          mirrup
        </Link>
        <nav aria-label="Screens" className={classes.screens}>
          <NavLink to={paths.today} className={classes.screen}>
            <IconCalendarCheck size={22} stroke={1.6} aria-hidden />
            <span>Today</span>
          </NavLink>
          <NavLink to={paths.students} className={classes.screen}>
            <IconUsers size={22} stroke={1.6} aria-hidden />
            <span>Students</span>
          </NavLink>
          <NavLink to={paths.class()} className={classes.screen}>
            <IconGridDots size={22} stroke={1.6} aria-hidden />
            <span>Class</span>
          </NavLink>
          <NavLink to={paths.combos} className={classes.screen}>
            <IconLink size={22} stroke={1.6} aria-hidden />
            <span>Combos</span>
          </NavLink>
          <NavLink
            to={paths.skills}
            className={classes.screen}
            data-open={pathname.startsWith(paths.programmes) || undefined}
          >
            <IconBook2 size={22} stroke={1.6} aria-hidden />
            <span>Skill book</span>
          </NavLink>
          <NavLink to={paths.studio} className={classes.screen}>
            <IconHome size={22} stroke={1.6} aria-hidden />
            <span>Studio</span>
          </NavLink>
        </nav>
        <div className={classes.foot}>
          <OutboxNote />
          {takeNewVersion !== null && (
            <UnstyledButton className={classes.screen} onClick={takeNewVersion}>
              <IconRefresh size={22} stroke={1.6} aria-hidden />
              <span>New version</span>
            </UnstyledButton>
          )}
          <Tool label="Find anything" shortcut="Ctrl K" Icon={IconSearch} onPress={find} />
          <Tool
            label="Show the keys"
            shortcut="?"
            Icon={IconKeyboard}
            onPress={showKeys}
            className={classes.keys}
          />
        </div>
      </header>
      <main id="page" tabIndex={-1} className={classes.page} aria-busy={navigation.state !== "idle"}>
        <Outlet />
      </main>
      <PageChange />
      {navigation.state !== "idle" && (
        <Text className={classes.loading} role="status">
          Opening …
        </Text>
      )}
    </div>
  );
}
