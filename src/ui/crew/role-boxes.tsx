import { ROLES, type Role } from "@/core";
import { t } from "@/messages/crew";

export const ROLE_NAMES: Record<Role, string> = {
  technician: t("technician"),
  lead: t("lead"),
  inspector: t("inspector"),
  keeper: t("keeper"),
};

interface RoleBoxesProps {
  readonly roles: readonly Role[];
  readonly onRoles: (roles: Role[]) => void;
}

/** The roles somebody or something has, each to be given and taken by a touch. */
export function RoleBoxes({ roles, onRoles }: RoleBoxesProps) {
  const without = (role: Role) => roles.filter((other) => other !== role);
  return ROLES.map((role) => (
    <label key={role} className="flex min-h-11 items-center gap-2">
      <input
        type="checkbox"
        className="size-5"
        checked={roles.includes(role)}
        onChange={({ target }) => onRoles(target.checked ? [...without(role), role] : without(role))}
      />
      {ROLE_NAMES[role]}
    </label>
  ));
}
