using CsCheck;
using MildHunch.Store;

namespace MildHunch.Web.Tests.Cases;

/// <summary>Undo and redo against the simplest thing that could be right: a list of pictures of the whole case.</summary>
public class CaseHistoryTests
{
    private static readonly DateTime Now = new(2026, 3, 2, 8, 0, 0, DateTimeKind.Utc);

    private enum Act
    {
        Tell,
        Replace,
        TakeOut,
        Undo,
        Redo,
    }

    [Fact]
    public void Any_sequence_of_acts_behaves_as_a_list_of_pictures() =>
        Gen.Select(Gen.OneOfConst(Enum.GetValues<Act>()), Gen.Int[0, 3]).Array[1, 40].Sample(acts =>
        {
            var entity = Fresh();
            var pictures = new List<string> { Picture(entity) };
            var at = 0;
            foreach (var (act, which) in acts)
            {
                switch (act)
                {
                    case Act.Undo when entity.ToUndo() is { } change:
                        change.Undone = true;
                        at--;
                        break;
                    case Act.Redo when entity.ToRedo() is { } change:
                        change.Undone = false;
                        at++;
                        break;
                    case Act.Undo or Act.Redo:
                        continue;
                    default:
                        Apply(entity, act, which);
                        pictures.RemoveRange(at + 1, pictures.Count - at - 1);
                        pictures.Add(Picture(entity));
                        at++;
                        break;
                }

                Picture(entity).ShouldBe(pictures[at]);
                (entity.ToUndo() is null).ShouldBe(at == 0);
                (entity.ToRedo() is null).ShouldBe(at == pictures.Count - 1);
            }
        });

    /// <summary>A clock that ran four years ahead and was put right: what is told next stands after what was told before.</summary>
    [Fact]
    public void What_is_told_stands_in_the_order_in_which_it_was_told()
    {
        var entity = Fresh();
        var ahead = entity.Begin("with a clock four years ahead", Now.AddYears(4));
        var next = entity.Begin("with the clock put right", Now.AddMinutes(1));
        (next.Number, next.At).ShouldBe((ahead.Number + 1, ahead.At));
    }

    [Fact]
    public void Nothing_typed_is_ever_thrown_away() =>
        Gen.Select(Gen.OneOfConst(Act.Tell, Act.Replace, Act.TakeOut), Gen.Int[0, 3]).Array[1, 20].Sample(acts =>
    {
        var entity = Fresh();
        var most = 0;
        foreach (var (act, which) in acts)
        {
            Apply(entity, act, which);
            entity.Readings.Count.ShouldBeGreaterThanOrEqualTo(most);
            most = entity.Readings.Count;
        }
    });

    [Fact]
    public void The_first_change_is_the_case_itself_and_stays()
    {
        var entity = Fresh();
        entity.ToUndo().ShouldBeNull();
        entity.Fact("complaint").ShouldBe("It drips");
    }

    [Fact]
    public void A_fact_set_again_replaces_itself_and_an_empty_one_clears()
    {
        var entity = Fresh();
        entity.Tell(entity.Begin("again", Now), "complaint", "It pours");
        entity.Fact("complaint").ShouldBe("It pours");
        entity.Tell(entity.Begin("cleared", Now), "complaint", "");
        entity.Fact("complaint").ShouldBeNull();
        entity.ToUndo()!.Undone = true;
        entity.Fact("complaint").ShouldBe("It pours");
    }

    [Fact]
    public void Identifiers_sort_in_the_order_they_were_made()
    {
        var made = Enumerable.Range(0, 5000).Select(_ => Ids.New()).ToArray();
        made.ShouldBe(made.Order(StringComparer.Ordinal));
        made.Distinct().Count().ShouldBe(made.Length);
    }

    private static CaseEntity Fresh()
    {
        var entity = new CaseEntity { Id = Ids.New(), PumpId = "p", OpenedAt = Now };
        entity.Tell(entity.Begin("opened", Now), "complaint", "It drips");
        return entity;
    }

    private static void Apply(CaseEntity entity, Act act, int which)
    {
        var change = entity.Begin(act.ToString(), Now);
        var quantity = $"q{which}";
        if (act is Act.Replace or Act.TakeOut)
            foreach (var old in entity.InForce(entity.Readings.Where(r => r.Quantity == quantity)))
                old.RemovedBy = change.Number;
        if (act is Act.Tell or Act.Replace)
            entity.Readings.Add(new ReadingEntity
            {
                Id = Ids.New(),
                CaseId = entity.Id,
                AddedBy = change.Number,
                Quantity = quantity,
                Value = change.Number,
                Unit = "bar"
            });
    }

    private static string Picture(CaseEntity entity) =>
        string.Join(' ', entity.InForce(entity.Readings).Select(r => $"{r.Quantity}={r.Value}"));
}
