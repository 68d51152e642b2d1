using Microsoft.AspNetCore.Http.Json;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core.Evidence.Jot;
using MildHunch.Store;
using MildHunch.Store.Backup;
using MildHunch.Web.Backup;
using MildHunch.Web.Cases;
using MildHunch.Web.Cases.Rounds;
using MildHunch.Web.Demo;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Expectation;
using MildHunch.Web.History;
using MildHunch.Web.Jot;
using MildHunch.Web.Knowledge;
using MildHunch.Web.Operations;
using MildHunch.Web.Photos;
using MildHunch.Web.Proving;
using MildHunch.Web.Pumps;
using MildHunch.Web.Records;
using MildHunch.Web.Reports;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;
using MildHunch.Web.Shared.Door;
using MildHunch.Web.Shared.Sending;
using MildHunch.Web.Shared.Serving;
using MildHunch.Web.Shop;
using MildHunch.Web.Simulation;
using MildHunch.Web.Travel;
using MildHunch.Web.Workings;
using Serilog;
using Serilog.Events;

var clock = TimeProvider.System;
if (args is ["restore", var backup])
    return await RestoreCommand.Run(Environment.GetEnvironmentVariable("DATA_DIR"), backup, clock);
if (args is ["check", var tried])
    return await RestoreCommand.Check(tried);

var builder = WebApplication.CreateBuilder(args);
builder.Host.UseSerilog((_, log) => log
    .MinimumLevel.Information()
    .MinimumLevel.Override("Microsoft", LogEventLevel.Warning)

    // A save that another one forestalled is no error of ours: whoever asked is told, and what nobody expected is logged where it ends.
    .MinimumLevel.Override("Microsoft.EntityFrameworkCore.Update", LogEventLevel.Fatal)
    .MinimumLevel.Override("Microsoft.EntityFrameworkCore.Database.Command", LogEventLevel.Fatal)
    .WriteTo.Console(restrictedToMinimumLevel: LogEventLevel.Warning, formatProvider: System.Globalization.CultureInfo.InvariantCulture));
builder.WebHost.ConfigureKestrel(kestrel =>
{
    kestrel.Limits.MaxRequestBodySize = BodyLimits.BodyBytes;
    kestrel.AddServerHeader = false;
});

var folder = builder.Configuration["DATA_DIR"] ?? Path.Combine(AppContext.BaseDirectory, "data");
Directory.CreateDirectory(folder);
FileStream held;
try
{
    held = await ServingLock.Serving(folder);
}
catch (StartException e)
{
    await Console.Error.WriteLineAsync(e.Message);
    return 1;
}

await using var serving = held;
if (string.Equals(builder.Configuration["DEMO"], "true", StringComparison.OrdinalIgnoreCase))
    DemoFile.Lay(folder, clock.GetLocalNow());
builder.Services.AddSingleton(new ShopFolder(folder)).AddSingleton(clock);
builder.Services.AddSingleton<SentOnce>().AddHttpContextAccessor();
builder.Services.AddDbContext<MildHunchDb>((services, options) =>
    options.UseSqlite(MildHunchDb.ConnectionTo(folder))
        .AddInterceptors(services.GetRequiredService<RecordWatch>(), services.GetRequiredService<SentOnce>()));
var ahead = builder.Configuration.GetValue("READ_AHEAD", true);
builder.Services.AddOperations();
builder.Services.AddBackup();
builder.Services.AddShop(builder.Configuration.GetSection("Shop"));
builder.Services.AddKnowledge(folder);
builder.Services.AddRecords(ahead);
builder.Services.AddHistory();
builder.Services.AddService();
builder.Services.AddPhotos(folder);
builder.Services.AddSingleton<JotLine>().AddScoped<DemoClosed>();
builder.Services.AddCases(ahead);
builder.Services.AddReports();
builder.Services.AddTravel();
builder.Services.AddProblemDetails();
builder.Services.AddExceptionHandler<Refusals>();
builder.Services.AddResponseCompression(compression => compression.EnableForHttps = true);
builder.Services.Configure<RouteHandlerOptions>(options => options.ThrowOnBadRequest = true);
builder.Services.Configure<JsonOptions>(json => json.SerializerOptions.Guarded());
builder.Services.AddOpenApi(options => options.AddDocumentTransformer((document, _, _) =>
{
    // Where it is served is no part of the interface; without it the document is the same on every machine.
    document.Servers = [];
    document.Info.Title = "Mild Hunch";
    DiagnosisExample.Show(document);
    return Task.CompletedTask;
}));

var app = builder.Build();
app.Services.LoadKnowledge();
app.Services.GetRequiredService<ShopSettings>().Load();
using (var scope = app.Services.CreateScope())
{
    var db = scope.ServiceProvider.GetRequiredService<MildHunchDb>();
    try
    {
        await StartLock.MigrateAsync(db, folder, clock, Console.Error.WriteLine, CancellationToken.None);
    }
    catch (StartException e)
    {
        await Console.Error.WriteLineAsync(e.Message);
        return 1;
    }

    await scope.ServiceProvider.GetRequiredService<OlderRounds>().BringOver(CancellationToken.None);
    if (app.Configuration["DEMO"] == "open")
        await ActivatorUtilities.CreateInstance<DemoData>(scope.ServiceProvider).Fill(CancellationToken.None);
}

app.Use(Protection.Headers);
app.UseExceptionHandler();
app.Use(Protection.OnlyFor(Protection.HostNames(app.Configuration["ALLOWED_HOSTS"])));
app.Use(Protection.OnlyOwnPages);
app.Use(BodyLimit.Enforce);
app.Use(ReaderUnits.Choose);
app.Use(Protection.KnownLetters);
app.UseResponseCompression();
app.Use(SenderKeys.Replay);
app.UseRouting();

// The page names the files of its version, so it alone is asked for anew each time.
var files = new StaticFileOptions
{
    ServeUnknownFileTypes = true,
    OnPrepareResponse = file =>
    {
        file.Context.Response.Headers.CacheControl =
            file.File.Name.StartsWith("index.html", StringComparison.Ordinal) ? "no-cache" : "public, max-age=31536000, immutable";
        Precompressed.Describe(file);
    },
};
app.UseDefaultFiles();
app.Use(Precompressed.Prefer);
app.UseStaticFiles(files);
app.MapOpenApi();
app.MapOperations();
app.MapExpectation();
SimulationEndpoint.Map(app);
app.MapService();
ControlSettingEndpoint.Map(app);
app.MapRecords();
WorkingsEndpoint.Map(app);
DiagnosisEndpoint.Map(app);
JotEndpoint.Map(app);
app.MapKnowledge();
app.MapPumps();
app.MapCases();
app.MapPhotos();
app.MapHistory();
app.MapBackup();
app.MapReports();
app.MapShop();
app.MapTravel();
NothingHere.Map(app);
app.MapFallbackToFile("index.html", files);
await app.RunAsync();
return 0;

/// <summary>Entry point, named so that tests can start the product.</summary>
public partial class Program;
