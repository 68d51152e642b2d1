namespace MildHunch.Web.Tests;

/// <summary>The client's types are generated from client/openapi.json, so that file must be what is served.</summary>
public class InterfaceDocumentTests(Product product)
{
    [Fact]
    public async Task The_committed_interface_document_is_the_served_one()
    {
        var served = await product.Http.GetStringAsync("/openapi/v1.json", TestContext.Current.CancellationToken);
        var path = Path.Combine(Product.Root(), "client", "openapi.json");
        if (Environment.GetEnvironmentVariable("UPDATE_API") is not null)
            await File.WriteAllTextAsync(path, served, TestContext.Current.CancellationToken);
        (await File.ReadAllTextAsync(path, TestContext.Current.CancellationToken)).Trim()
            .ShouldBe(served.Trim(), "client/openapi.json is out of date: run ./run api");
    }
}
