/** An amount of money or time as it is typed, 0 or more; null where it is none. */
export const readAmount = (text: string): number | null => {
  const value = Number(text.trim().replace(",", "."));
  return text.trim() !== "" && Number.isFinite(value) && value >= 0 && value <= 1e9 ? value : null;
};
