using System.Net;
using System.Text;

namespace MildHunch.Web.Tests.Door;

/// <summary>Pages of others write nothing through the browser of somebody who has this one open.</summary>
public sealed class ForeignPageTests(Product product) : IClassFixture<Product>
{
    [Theory]
    [InlineData("Origin", "https://elsewhere.example", HttpStatusCode.Forbidden)]
    [InlineData("Origin", "null", HttpStatusCode.Forbidden)]
    [InlineData("Sec-Fetch-Site", "cross-site", HttpStatusCode.Forbidden)]
    [InlineData("Sec-Fetch-Site", "same-site", HttpStatusCode.Forbidden)]
    [InlineData("Sec-Fetch-Site", "same-origin", HttpStatusCode.OK)]
    [InlineData("Origin", "own", HttpStatusCode.OK)]
    [InlineData(null, null, HttpStatusCode.OK)]
    public async Task Only_own_pages_and_scripts_change_anything(string? header, string? says, HttpStatusCode answer)
    {
        foreach (var (method, path, type, body) in new[]
        {
            (HttpMethod.Put, "/api/shop", "application/json", "{}"),
            (HttpMethod.Post, "/api/pumps.csv", "text/csv", "tag,arrangement\n"),
            (HttpMethod.Post, "/api/import", "multipart/form-data; boundary=x", "--x--"),
            (HttpMethod.Post, "/api/photos", "image/jpeg", "no picture"),
        })
        {
            using var request = new HttpRequestMessage(method, path) { Content = new ByteArrayContent(Encoding.UTF8.GetBytes(body)) };
            request.Content.Headers.TryAddWithoutValidation("Content-Type", type);
            if (header is not null)
                request.Headers.TryAddWithoutValidation(
                    header, says == "own" ? product.Http.BaseAddress!.GetLeftPart(UriPartial.Authority) : says);
            var response = await product.Http.SendAsync(request, TestContext.Current.CancellationToken);
            if (answer == HttpStatusCode.Forbidden || path == "/api/shop")
                response.StatusCode.ShouldBe(answer, path);
            else
                response.StatusCode.ShouldNotBe(HttpStatusCode.Forbidden, path);
        }
    }

    /// <summary>What a form can send without leave is not taken where something else is described.</summary>
    [Theory]
    [InlineData("/api/pumps", "text/plain")]
    [InlineData("/api/pumps.csv", "text/plain")]
    [InlineData("/api/pumps.csv", "application/x-www-form-urlencoded")]
    [InlineData("/api/photos", "text/plain")]
    [InlineData("/api/import", "text/plain")]
    [InlineData("/api/shop", "application/json; charset=utf-7")]
    public async Task A_body_of_another_kind_is_refused(string path, string type)
    {
        using var request = new HttpRequestMessage(path == "/api/shop" ? HttpMethod.Put : HttpMethod.Post, path)
        {
            Content = new ByteArrayContent(Encoding.UTF8.GetBytes("{}")),
        };
        request.Content.Headers.TryAddWithoutValidation("Content-Type", type);
        var response = await product.Http.SendAsync(request, TestContext.Current.CancellationToken);
        response.StatusCode.ShouldBe(HttpStatusCode.UnsupportedMediaType);
    }

    [Theory]
    [InlineData("DELETE", "/api/pumps", HttpStatusCode.MethodNotAllowed)]
    [InlineData("PATCH", "/api/cases/x/changes", HttpStatusCode.MethodNotAllowed)]
    [InlineData("GET", "/api/service-plan", HttpStatusCode.MethodNotAllowed)]
    [InlineData("GET", "/api/nothing", HttpStatusCode.NotFound)]
    [InlineData("POST", "/api/pumps/x/y/z", HttpStatusCode.NotFound)]
    public async Task A_refusal_says_which_thing_is_wrong(string method, string path, HttpStatusCode answer)
    {
        using var request = new HttpRequestMessage(new HttpMethod(method), path);
        var response = await product.Http.SendAsync(request, TestContext.Current.CancellationToken);
        response.StatusCode.ShouldBe(answer);
        response.Content.Headers.ContentType!.MediaType.ShouldBe("application/problem+json");
        if (answer == HttpStatusCode.MethodNotAllowed)
            response.Content.Headers.Allow.ShouldNotBeEmpty();
    }
}
