import { Alert, Button, FileButton, Group, Menu, Text, Title } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";

import { answer, api, fileBody } from "../api/client";
import type { FormEntry, SheetForm } from "../api/types";
import { Header } from "../frame/Header";
import { t } from "../frame/language";
import { Trouble, Waiting } from "../frame/Messages";
import { complain } from "../frame/tell";
import { useDeed } from "../frame/useDeed";
import { dayAndTime, PAPERS, term } from "../frame/words";
import { FormPicture } from "./FormPicture";
import classes from "./SheetForm.module.css";

/** The school's sheet forms. */
export default function SheetFormsPage() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const forms = useQuery({
    queryKey: ["sheet forms"],
    queryFn: () => answer(api.GET("/api/sheet-forms")),
  });
  const dropped = useQuery({
    queryKey: ["sheet forms", "dropped"],
    queryFn: () => answer(api.GET("/api/sheet-forms/dropped")),
  });
  const [told, setTold] = useState<{ id: number; notRead: string[] } | null>(null);
  const [busy, setBusy] = useState(false);

  const keep = async (name: string, form: SheetForm) => {
    const made = await answer(api.POST("/api/sheet-forms", { body: { name, form } }));
    await queries.invalidateQueries({ queryKey: ["sheet forms"] });
    return made.id;
  };
  const begin = async (size: SheetForm["size"], landscape: boolean) => {
    try {
      const form = await answer(
        api.GET("/api/sheet-forms/usual", { params: { query: { size, landscape } } }),
      );
      void navigate(`/sheet-forms/${await keep(`${t("Sheet form")} ${size}`, form)}`);
    } catch (error) {
      complain(error);
    }
  };
  const bringIn = async (file: File | null) => {
    if (!file) return;
    setBusy(true);
    try {
      const read = await answer(api.POST("/api/sheet-forms/file", fileBody(file)));
      const id = await keep(
        file.name.replace(/\.[^.]*$/, "").slice(0, 80) || t("Sheet form"),
        read.form,
      );
      if (read.not_read.length) setTold({ id, notRead: read.not_read });
      else void navigate(`/sheet-forms/${id}`);
    } catch (error) {
      complain(error);
    } finally {
      setBusy(false);
    }
  };
  const run = useDeed(["sheet forms"]);
  const drop = (form: FormEntry) =>
    run(() =>
      answer(api.DELETE("/api/sheet-forms/{form_id}", { params: { path: { form_id: form.id } } })),
    );
  const bringBack = (form: { id: number }) =>
    run(() =>
      answer(
        api.POST("/api/sheet-forms/{form_id}/back", { params: { path: { form_id: form.id } } }),
      ),
    );
  return (
    <>
      <Header>
        <FileButton onChange={(file) => void bringIn(file)} accept=".dxf">
          {(props) => (
            <Button variant="default" loading={busy} {...props}>
              {t("Bring in a DXF")}
            </Button>
          )}
        </FileButton>
        <Menu position="bottom-end">
          <Menu.Target>
            <Button>{t("New form")}</Button>
          </Menu.Target>
          <Menu.Dropdown mah={420} style={{ overflowY: "auto" }}>
            {PAPERS.flatMap((size) =>
              [true, false].map((landscape) => (
                <Menu.Item key={`${size} ${landscape}`} onClick={() => void begin(size, landscape)}>
                  {size} {term(landscape ? "landscape" : "portrait")}
                </Menu.Item>
              )),
            )}
          </Menu.Dropdown>
        </Menu>
      </Header>
      <main className={classes.page}>
        <Title order={1} size="h2">
          {t("Sheet forms")}
        </Title>
        <Text className="quiet" mb="lg">
          {t(
            "Border, title block and zone marks of your school. An exercise can ask for one; it is drawn at the bench, goes out in PDF and DXF, and is known when a file comes in.",
          )}
        </Text>
        {told && (
          <Alert
            color="ink"
            variant="outline"
            mb="lg"
            role="status"
            title={t("Brought in, but for this:")}
          >
            <ul>
              {told.notRead.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
            <Button size="xs" component={Link} to={`/sheet-forms/${told.id}`}>
              {t("Go on in the form editor")}
            </Button>
          </Alert>
        )}
        {forms.isPending && <Waiting />}
        {forms.error && <Trouble error={forms.error} onRetry={() => void forms.refetch()} />}
        {forms.data?.length === 0 && (
          <Text>
            {t(
              "No form yet. Begin with the usual one of a paper, or bring in your school’s as DXF.",
            )}
          </Text>
        )}
        <div className={classes.forms}>
          {forms.data?.map((form) => (
            <article key={form.id} className={classes.form} aria-label={form.name}>
              <FormPicture form={form.form} paper={form.paper} />
              <div>
                <Title order={2} size="h5">
                  {form.own ? <Link to={`/sheet-forms/${form.id}`}>{form.name}</Link> : form.name}
                </Title>
                <Text className="quiet small">
                  {form.form.size} {term(form.form.landscape ? "landscape" : "portrait")},{" "}
                  {form.own ? t("made by you") : t("made by {{name}}", { name: form.owner })}
                  {form.ready ? "" : `; ${t("not ready yet")}`}
                </Text>
              </div>
              {form.own && (
                <Group gap={8}>
                  <Button
                    size="xs"
                    variant="default"
                    component={Link}
                    to={`/sheet-forms/${form.id}`}
                  >
                    {t("Draw")}
                  </Button>
                  <Menu>
                    <Menu.Target>
                      <Button size="xs" variant="subtle">
                        {t("Throw away")}
                      </Button>
                    </Menu.Target>
                    <Menu.Dropdown>
                      <Menu.Label>{t("Exercises that use it keep it.")}</Menu.Label>
                      <Menu.Item onClick={() => void drop(form)}>
                        {t("Throw “{{name}}” away", { name: form.name })}
                      </Menu.Item>
                    </Menu.Dropdown>
                  </Menu>
                </Group>
              )}
            </article>
          ))}
        </div>
        {(dropped.data?.length ?? 0) > 0 && (
          <section aria-label={t("Thrown away")}>
            <Title order={2} size="h5" mt="xl">
              {t("Thrown away")}
            </Title>
            <Text className="quiet small">{t("They can be brought back for thirty days.")}</Text>
            {dropped.data?.map((form) => (
              <Group key={form.id} gap="sm" mt={4}>
                <Text>{form.name}</Text>
                <Text className="quiet small">{dayAndTime(form.dropped_at)}</Text>
                <Button
                  size="compact-xs"
                  variant="default"
                  aria-label={t("Bring {{name}} back", { name: form.name })}
                  onClick={() => void bringBack(form)}
                >
                  {t("Bring back")}
                </Button>
              </Group>
            ))}
          </section>
        )}
      </main>
    </>
  );
}
