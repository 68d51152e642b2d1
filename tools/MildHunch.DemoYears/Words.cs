using MildHunch.Core.Pumps;

namespace MildHunch.DemoYears;

/// <summary>What the fault of a part is called, how it is complained of and how it looks once it is out.</summary>
internal static class Words
{
    public static string? Fault(string kind, Side? side) => kind switch
    {
        "hp-seal" or "packing" => "hp-seal-worn",
        "lp-seal" => "lp-seal-worn",
        "valve" => side == Side.Inlet ? "inlet-valve-leak" : "discharge-valve-leak",
        "plunger" => "plunger-scored",
        "sleeve" => "sleeve-scored",
        "cup" => "cup-worn",
        "dynamic-seal" => "intens-seal-dynamic",
        "static-seal" => "intens-seal-static",
        "inlet-poppet" => "intens-inlet-check",
        "discharge-poppet" => "intens-discharge-check",
        "end-plunger" => "intens-plunger-scored",
        "unloader-seat" => "unloader-leaking-by",
        "unloader-pin" => "unloader-stuck-open",
        "regulator-seat" => "regulator-seat-worn",
        "diaphragm" => "regulator-diaphragm-cracked",
        "nozzle" => "nozzle-worn",
        _ => null,
    };

    public static string Finding(string kind, bool grit) => kind switch
    {
        "hp-seal" => "lip-worn",
        "packing" => "packing-worn",
        "lp-seal" => "lp-worn",
        "valve" => grit ? "grooved-seat" : "lets-back",
        "plunger" => "scored",
        "sleeve" => "sleeve-scored",
        "cup" => "cup-worn",
        "dynamic-seal" => "dynamic-worn",
        "static-seal" => "static-worn",
        "inlet-poppet" => "inlet-poppet-bad",
        "discharge-poppet" => "discharge-poppet-bad",
        "end-plunger" => "end-plunger-scored",
        "unloader-seat" => "unloader-seat-worn",
        "unloader-pin" => "pin-stuck",
        "regulator-seat" => "regulator-seat-worn",
        _ => "diaphragm-cracked",
    };

    public static string Complaint(string fault, Random random)
    {
        string[] said = fault switch
        {
            "hp-seal-worn" or "cup-worn" or "sleeve-scored" =>
                ["Pressure is going down week by week", "Weak, and water at the weep", "Takes longer to come up"],
            "lp-seal-worn" => ["Drips from the weep hole", "A puddle under the pump each morning"],
            "inlet-valve-leak" or "discharge-valve-leak" =>
                ["Needle swings and the jet pulses", "Lost a third of its pressure overnight", "Hammers since this morning"],
            "plunger-scored" or "intens-plunger-scored" => ["New seals did not last", "Drips again a month after new seals"],
            "intens-seal-static" or "intens-seal-dynamic" =>
                ["Weeps at one end", "One stroke runs fast and it drips", "Drips with pressure standing"],
            "intens-inlet-check" or "intens-discharge-check" => ["One stroke runs fast", "Pressure dips once a cycle"],
            "unloader-leaking-by" or "regulator-seat-worn" =>
                ["Does not come to pressure, water in the return", "Pressure creeps when rows close"],
            "unloader-stuck-open" => ["No pressure at all, everything goes round"],
            "regulator-diaphragm-cracked" => ["Drips from the stem and hunts"],
            "nozzle-worn" => ["Pressure low, plenty of water"],
            _ => ["Does not do what it did", "Something is wrong since the weekend"],
        };
        return said[random.Next(said.Length)];
    }
}
