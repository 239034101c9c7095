import type { ListedPart } from "../api/types";
import { t } from "../frame/language";
import classes from "./Assembly.module.css";

/** The parts list of an assembly as a table. */
export function PartsList({ listed }: { listed: readonly ListedPart[] }) {
  return (
    <table className={classes.listed}>
      <thead>
        <tr>
          <th>{t("No.")}</th>
          <th>{t("Name")}</th>
          <th>{t("Material")}</th>
          <th>{t("Quantity")}</th>
        </tr>
      </thead>
      <tbody>
        {listed.map((row) => (
          <tr key={row.number}>
            <td>{row.number}</td>
            <td>{row.name}</td>
            <td>{row.material}</td>
            <td>{row.quantity}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
