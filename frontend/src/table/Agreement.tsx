import { t } from "../frame/language";
import { useRules } from "../marking/useRules";

/** How often what a rule found was let pass, so that one knows how far to trust it. */
export function Agreement({ rule }: { rule: string }) {
  const rules = useRules();
  const own = rules.data?.find((entry) => entry.id === rule);
  const decided = own ? own.upheld + own.waived : 0;
  if (!own || decided === 0) return null;
  return (
    <span className="quiet">
      {" · "}
      {t("waived {{waived}} of {{decided}} times", { waived: own.waived, decided })}
    </span>
  );
}
