import { type CalendarDate, parseDate } from '@internationalized/date';
import CalendarDays from 'lucide-react/icons/calendar-days';
import ChevronLeft from 'lucide-react/icons/chevron-left';
import ChevronRight from 'lucide-react/icons/chevron-right';
import {
  Button,
  Calendar,
  CalendarCell,
  CalendarGrid,
  DateInput,
  DatePicker,
  DateSegment,
  Dialog,
  FieldError,
  Group,
  Heading,
  I18nProvider,
  Label,
  Popover,
} from 'react-aria-components';
import { Controller, type FieldValues, useFormContext } from 'react-hook-form';
import { useFormLabels } from './form-labels.ts';

type Props = {
  readonly name: string;
  readonly label: string;
  readonly isOptional?: boolean;
  /** The first and last day that may be chosen. */
  readonly least?: string;
  readonly most?: string;
};

const dayOrNull = (text: unknown): CalendarDate | null => {
  try {
    return typeof text === 'string' && text !== '' ? parseDate(text) : null;
  } catch {
    // A draft may hold what is no day.
    return null;
  }
};

const MonthGrid = () => (
  <Dialog className="panel p-3">
    <Calendar>
      <header className="flex items-center justify-between">
        <Button slot="previous" className="grid size-11 place-items-center" aria-label="Month before">
          <ChevronLeft size={20} aria-hidden="true" />
        </Button>
        <Heading className="font-bold" />
        <Button slot="next" className="grid size-11 place-items-center" aria-label="Month after">
          <ChevronRight size={20} aria-hidden="true" />
        </Button>
      </header>
      <CalendarGrid className="text-s">
        {(date) => (
          <CalendarCell
            date={date}
            className="grid size-11 place-items-center rounded-md outline-none data-[focus-visible]:outline-3 data-[focus-visible]:outline-layout data-[outside-month]:invisible data-[selected]:bg-layout data-[selected]:text-on-layout data-[unavailable]:text-rule data-[disabled]:text-rule"
          />
        )}
      </CalendarGrid>
    </Calendar>
  </Dialog>
);

/** A day: typed part by part, stepped with the arrows, or chosen from a month. Kept as an ISO day; empty where none is chosen. */
export const DayField = ({ name, label, isOptional, least, most }: Props) => {
  const { control } = useFormContext<FieldValues>();
  useFormLabels().set(name, label);
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <I18nProvider locale="en-GB">
          <DatePicker
            value={dayOrNull(field.value)}
            onChange={(day) => field.onChange(day?.toString() ?? '')}
            onBlur={field.onBlur}
            minValue={dayOrNull(least)}
            maxValue={dayOrNull(most)}
            isInvalid={fieldState.invalid}
            granularity="day"
            shouldForceLeadingZeros
            className="min-w-0"
            data-day={name}
          >
            <Label className="block">
              {label}
              {isOptional && <span className="text-faint"> (if it has one)</span>}
            </Label>
            <Group className="field mt-1 flex items-center">
              <DateInput ref={field.ref} className="flex flex-1 font-mono">
                {(segment) => (
                  <DateSegment
                    segment={segment}
                    className="rounded px-0.5 outline-none data-[focused]:bg-layout data-[focused]:text-on-layout data-[placeholder]:text-faint"
                  />
                )}
              </DateInput>
              <Button
                className="-mr-2 grid size-11 place-items-center text-layout"
                aria-label="Choose from a month"
              >
                <CalendarDays size={20} aria-hidden="true" />
              </Button>
            </Group>
            <FieldError className="text-s font-semibold text-high">
              {() => fieldState.error?.message}
            </FieldError>
            <Popover>
              <MonthGrid />
            </Popover>
          </DatePicker>
        </I18nProvider>
      )}
    />
  );
};
