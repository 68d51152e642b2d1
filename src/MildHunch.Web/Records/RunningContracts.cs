using System.ComponentModel;
using System.Globalization;
using MildHunch.Core;
using MildHunch.Core.Records.Due;
using MildHunch.Core.Records.Running;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Records;

/// <summary>Part of every year in which a pump runs otherwise or must not stand.</summary>
public sealed record SeasonDto(
    string? Name = null, [property: Description("month and day, like 03-15")] string? From = null, string? To = null,
    double? HoursPerWeek = null, [property: Description("true where it must not stand then")] bool? MustRun = null);

/// <summary>Something that comes on a day whatever the pump runs.</summary>
public sealed record TaskDto(
    string? What = null, DateOnly? On = null, int? EveryMonths = null,
    [property: Description("when it was last done; until then a task that was missed stays due")] DateOnly? Done = null);

/// <summary>A paper that belongs to the pump: a photograph of it, or where it lies.</summary>
public sealed record DocumentDto(string? Name = null, string? Photo = null, string? Where = null);

/// <summary>How a pump is run and when it is served.</summary>
public sealed record RunningDto(
    [property: Description("serial number of this very pump")] string? Serial = null, DateOnly? Commissioned = null,
    [property: Description("when the record began; failures before it are not on record")] DateOnly? RecordFrom = null,
    [property: Description("hours a week outside the seasons; left out: as the meter shows")] double? HoursPerWeek = null,
    IReadOnlyList<SeasonDto>? Seasons = null,
    [property: Description("service at the latest after so many months")] int? Months = null,
    IReadOnlyList<TaskDto>? Tasks = null, IReadOnlyList<DocumentDto>? Documents = null)
{
    private const int MostOfEach = 50;
    private const int LongestText = 120;
    private const int MostMonths = 240;

    /// <summary>How much it runs; null where nobody said.</summary>
    public Duty? Duty() => HoursPerWeek is null && Seasons is not { Count: > 0 }
        ? null
        : new Duty(HoursPerWeek ?? 0, [.. (Seasons ?? []).Select((s, i) => Season(s, $"seasons[{i}]"))]);

    /// <summary>Tasks by date.</summary>
    public IReadOnlyList<DatedTask> Dated() => [.. (Tasks ?? []).Select(t => new DatedTask(t.What!, t.On!.Value, t.EveryMonths, t.Done))];

    /// <summary>Refuses what cannot be, naming the field.</summary>
    public void Check(DateOnly today)
    {
        Short(Serial, "serial", false);
        Past(Commissioned, "commissioned", today);
        Past(RecordFrom, "recordFrom", today);
        if (Months is { } months && months is < 1 or > MostMonths)
            throw new ImpossibleInputException("months", Text(Months), $"1 to {MostMonths} months");
        Few(Seasons, "seasons");
        Few(Tasks, "tasks");
        Few(Documents, "documents");
        foreach (var (i, task) in (Tasks ?? []).Index())
        {
            Short(task.What, $"tasks[{i}].what", true);
            if (task.On is null)
                throw Mapping.Missing($"tasks[{i}].on", "a day, like 2027-03-15");
            if (task.EveryMonths is < 1 or > MostMonths)
                throw new ImpossibleInputException($"tasks[{i}].everyMonths", Text(task.EveryMonths), $"1 to {MostMonths} months");
            Past(task.Done, $"tasks[{i}].done", today);
        }

        foreach (var (i, document) in (Documents ?? []).Index())
            Short(document.Name, $"documents[{i}].name", true);
        Duty();
    }

    private static Season Season(SeasonDto told, string field)
    {
        Short(told.Name, $"{field}.name", true);
        return new Season(
            told.Name!.Trim(), YearDay.Parse(told.From ?? "", $"{field}.from"), YearDay.Parse(told.To ?? "", $"{field}.to"),
            told.HoursPerWeek ?? throw Mapping.Missing($"{field}.hoursPerWeek", "0 to 168 hours"), told.MustRun ?? false);
    }

    private static void Past(DateOnly? day, string field, DateOnly today)
    {
        if (day > today)
            throw new ImpossibleInputException(field, $"{day:yyyy-MM-dd}", $"no day after today, {today:yyyy-MM-dd}");
    }

    private static void Few<T>(IReadOnlyList<T>? list, string field)
    {
        if (list?.Count > MostOfEach)
            throw new ImpossibleInputException(field, $"{list.Count} of them", $"at most {MostOfEach}");
    }

    private static void Short(string? text, string field, bool needed)
    {
        if (needed && string.IsNullOrWhiteSpace(text))
            throw Mapping.Missing(field, "a name");
        Mapping.Short(text, field, LongestText);
    }

    private static string Text(int? number) => number?.ToString(CultureInfo.InvariantCulture) ?? "nothing";
}
