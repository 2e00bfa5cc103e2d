// The finder itself lives in the layout, so that it stays open while other screens are looked at.
export default function Index() {
  return null;
}
