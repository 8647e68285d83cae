import { AdapterDayjs } from "@mui/x-date-pickers/AdapterDayjs";
import { DateCalendar } from "@mui/x-date-pickers/DateCalendar";
import { LocalizationProvider } from "@mui/x-date-pickers/LocalizationProvider";
import dayjs from "dayjs";
import "dayjs/locale/en-gb.js";
import { day as dayOf, type Day } from "~/core/kernel/index.ts";

/** A month to choose a day from, its weeks from Monday. Loaded when it is opened. */
export default function Calendar({
  day,
  onDay,
}: {
  readonly day: Day | null;
  readonly onDay: (day: Day) => void;
}) {
  return (
    <LocalizationProvider dateAdapter={AdapterDayjs} adapterLocale="en-gb">
      <DateCalendar
        autoFocus
        value={day === null ? null : dayjs(day)}
        views={["year", "month", "day"]}
        openTo="day"
        onChange={(chosen, state) => {
          if (chosen !== null && state === "finish") onDay(dayOf(chosen.format("YYYY-MM-DD")));
        }}
        sx={{
          backgroundColor: "kravo.sheet",
          "& .MuiPickerDay-root, & .MuiMonthCalendar-button, & .MuiYearCalendar-button": {
            borderRadius: "2px",
            fontFamily: (t) => t.typography.figure.fontFamily,
            fontWeight: 700,
            fontSize: "1.05rem",
          },
          "& .MuiDayCalendar-weekDayLabel": { fontWeight: 700, color: "text.secondary" },
          "& .MuiPickerDay-root.Mui-selected": {
            backgroundColor: "kravo.ink",
            color: "kravo.paper",
          },
        }}
      />
    </LocalizationProvider>
  );
}
