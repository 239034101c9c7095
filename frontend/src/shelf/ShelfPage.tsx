import { Button, FileButton, Group, SimpleGrid, Text, Title } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import { useInfiniteQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";

import { t } from "../frame/language";
import { answer, api } from "../api/client";
import { Header } from "../frame/Header";
import { Trouble, Waiting } from "../frame/Messages";
import { Arrivals } from "./Arrivals";
import { PartCard } from "./PartCard";
import classes from "./Shelf.module.css";
import { ShelfSearch } from "./ShelfSearch";
import { useBringIn } from "./useBringIn";

const PAGE = 48;

export default function ShelfPage() {
  const [words, setWords] = useState("");
  const [asked] = useDebouncedValue(words, 250);
  const [label, setLabel] = useState<string | null>(null);
  const [archived, setArchived] = useState(false);
  const shelf = useInfiniteQuery({
    queryKey: ["parts", asked, label, archived],
    initialPageParam: 0,
    queryFn: ({ pageParam }) =>
      answer(
        api.GET("/api/parts", {
          params: { query: { words: asked, label, archived, offset: pageParam, limit: PAGE } },
        }),
      ),
    getNextPageParam: (last, pages) => {
      const seen = pages.reduce((sum, page) => sum + page.parts.length, 0);
      return seen < last.total ? seen : undefined;
    },
  });
  const arrivals = useBringIn();
  const [over, setOver] = useState(false);
  const first = shelf.data?.pages[0];
  const parts = shelf.data?.pages.flatMap((page) => page.parts) ?? [];
  const searching = asked !== "" || label !== null || archived;

  const drop = (event: React.DragEvent) => {
    event.preventDefault();
    setOver(false);
    arrivals.bringIn([...event.dataTransfer.files]);
  };
  return (
    <div
      className={classes.drop}
      data-over={over}
      onDragOver={(event) => {
        if (!event.dataTransfer.types.includes("Files")) return;
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      <Header>
        <FileButton multiple onChange={arrivals.bringIn} accept=".json,.step,.stp">
          {(props) => (
            <Button variant="default" {...props}>
              {t("Bring in parts")}
            </Button>
          )}
        </FileButton>
        <Button variant="default" component={Link} to="/shelf/new">
          {t("Build a part")}
        </Button>
        <Button variant="default" component={Link} to="/shelf/assembly">
          {t("Put parts together")}
        </Button>
        <Button component={Link} to="/exercises/new">
          {t("Set an exercise")}
        </Button>
      </Header>
      <main className={classes.page}>
        <Group justify="space-between" align="baseline">
          <Title order={1} size="h2">
            {t("Shelf")}
          </Title>
          <Text className="quiet">
            {first
              ? `${searching ? t("{{count}} parts found", { count: first.total }) : t("{{count}} parts", { count: first.total })}. `
              : ""}
            {t("Drop STEP files anywhere on this page.")}
          </Text>
        </Group>
        <ShelfSearch
          words={words}
          onWords={setWords}
          labels={first?.labels ?? []}
          label={label}
          onLabel={setLabel}
          archived={archived}
          onArchived={setArchived}
        />
        <Arrivals arrivals={arrivals.list} onCancel={arrivals.cancel} onClear={arrivals.clear} />
        {shelf.isPending && <Waiting />}
        {shelf.error && <Trouble error={shelf.error} onRetry={() => void shelf.refetch()} />}
        {first?.total === 0 && (
          <Text>
            {searching
              ? t("No part fits. Take a word away, or look in the archive.")
              : t("The shelf is empty. Build a part, or bring one in as a STEP file, to begin.")}
          </Text>
        )}
        <SimpleGrid cols={{ base: 1, xs: 2, sm: 3, md: 5 }} spacing="md">
          {parts.map((part) => (
            <PartCard key={part.id} part={part} />
          ))}
        </SimpleGrid>
        {shelf.hasNextPage && (
          <More busy={shelf.isFetchingNextPage} onSeen={() => void shelf.fetchNextPage()} />
        )}
      </main>
    </div>
  );
}

/** The end of what is loaded; coming into sight, it asks for more. */
function More({ busy, onSeen }: { busy: boolean; onSeen: () => void }) {
  const place = useRef<HTMLButtonElement>(null);
  const seen = useRef(onSeen);
  useEffect(() => {
    seen.current = onSeen;
  });
  useEffect(() => {
    const watcher = new IntersectionObserver((entries) => {
      if (entries.some((entry) => entry.isIntersecting)) seen.current();
    });
    if (place.current) watcher.observe(place.current);
    return () => watcher.disconnect();
  }, [busy]);
  return (
    <Button ref={place} variant="default" loading={busy} onClick={onSeen}>
      {t("More parts")}
    </Button>
  );
}
