import { StyleSheet } from "@react-pdf/renderer";
import { FACES } from "./scripts";

/** The styles of a record on paper, in points. */
export const styles = StyleSheet.create({
  page: {
    fontFamily: FACES.map(({ family }) => family),
    fontSize: 9,
    padding: 36,
    paddingBottom: 48,
    color: "#1f2328",
  },
  title: { fontSize: 16, fontWeight: 700, marginBottom: 4 },
  result: { fontSize: 11, marginBottom: 8 },
  head: { fontSize: 11, fontWeight: 700, marginTop: 10, marginBottom: 3 },
  row: { flexDirection: "row", borderTopWidth: 0.5, borderColor: "#c9c2b4", paddingVertical: 2.5 },
  name: { width: "32%", paddingRight: 6 },
  cell: { width: "17%", paddingRight: 6 },
  wide: { width: "34%" },
  fact: { flexDirection: "row" },
  factName: { width: 90, color: "#5d5a53" },
  rough: { textDecoration: "underline", textDecorationStyle: "dotted" },
  foot: {
    position: "absolute",
    left: 36,
    right: 36,
    bottom: 20,
    fontSize: 7,
    color: "#5d5a53",
    flexDirection: "row",
    justifyContent: "space-between",
  },
  photos: { flexDirection: "row", flexWrap: "wrap", gap: 8, marginTop: 4 },
  photo: { width: 160, height: 110, objectFit: "cover" },
});
