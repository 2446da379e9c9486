import pytest

UNDOCUMENTED = {"openapi_document", "static_file", "page", "nothing_there"}


def rules(app):
    return list(app.url_map.iter_rules())


def test_every_route_is_documented(app):
    documented = app.api_doc["paths"]
    for rule in rules(app):
        if rule.endpoint in UNDOCUMENTED:
            continue
        path = rule.rule.replace("<int:", "{").replace("<", "{").replace(">", "}")
        for method in rule.methods - {"HEAD", "OPTIONS"}:
            assert method.lower() in documented[path], rule.rule


def test_forged_requests_are_refused(as_role):
    client = as_role("bench")
    client.token = "wrong"
    answer = client.post("/api/jobs", {"title": "Forged"})
    assert answer.status_code == 400
    assert "CSRF" in answer.get_json()["error"]["message"]


def test_a_write_needs_its_key(as_role):
    client = as_role("bench")
    answer = client.http.post("/api/jobs", json={"title": "No key"}, headers={"X-CSRF-Token": client.token})
    assert (answer.status_code, answer.get_json()["error"]["code"]) == (400, "no_idempotency_key")


def test_pages_keep_to_themselves(as_role):
    headers = as_role().get("/api/health").headers
    policy = headers["Content-Security-Policy"]
    assert "default-src 'none'" in policy
    assert "unsafe" not in policy
    assert "http" not in policy
    assert headers["X-Content-Type-Options"] == "nosniff"


def test_the_cookie_is_closed_to_scripts_and_other_sites(as_role):
    cookie = as_role().http.get_cookie("ample")
    assert cookie.http_only
    assert cookie.same_site == "Strict"


def test_signing_out_ends_the_session_on_the_server(as_role):
    client = as_role("bench")
    before = client.http.get_cookie("ample").value
    assert client.post("/api/sign-out").status_code == 200
    client.http.set_cookie("ample", before)
    assert client.get("/api/jobs").status_code == 401


def test_secrets_are_stored_as_argon2_and_sessions_by_hash(database, as_role):
    as_role("bench")
    hashes = database.run(lambda t: t.rows("SELECT secret_hash FROM people"))
    assert all(row["secret_hash"].startswith("$argon2id$") for row in hashes)
    tokens = database.run(lambda t: t.rows("SELECT token_hash FROM sessions"))
    assert all(len(row["token_hash"]) == 64 for row in tokens)


def test_guessing_is_slowed_in_words_and_with_the_seconds(as_role):
    stranger = as_role()
    for _ in range(5):
        answer = stranger.post("/api/sign-in", {"name": "Guesser", "secret": "0000"})
        assert answer.status_code == 401
    answer = stranger.post("/api/sign-in", {"name": "Guesser", "secret": "0000"})
    assert answer.status_code == 429
    assert answer.headers["Retry-After"] == "1"
    assert "Try again in 1 s" in answer.get_json()["error"]["message"]


@pytest.mark.parametrize(
    ("body", "status"),
    [
        (b"{", 422), (b"[]", 422), (b"null", 422), (b'{"size_mm": ' + b"9" * 5000 + b"}", 422),
        (b'{"size_mm": 1e999, "zone": "k6"}', 422), (b'{"text": "' + b"x" * 5_000_000 + b'"}', 413),
    ],
)  # fmt: skip
def test_broken_and_huge_bodies_are_refused_in_the_one_shape(as_role, body, status):
    client = as_role("bench")
    answer = client.http.post("/api/calc/limits", data=body, content_type="application/json")
    assert answer.status_code == status
    assert set(answer.get_json()["error"]) == {"code", "message", "field", "hint", "current"}


def test_calc_over_http_is_the_register(as_role):
    from ample.core.operations import ask

    asked = {"size_mm": 25, "zone": "k6"}
    assert as_role("bench").post("/api/calc/limits", asked).get_json() == ask("limits", asked)


@pytest.mark.parametrize(
    "path", ["/api/none", "/api/jobs/9999", "/api/parts/999999/bench", "/assets/none.js"]
)
def test_what_is_not_there_is_said_so(as_role, path):
    answer = as_role("bench").get(path)
    assert answer.status_code == 404
    assert answer.get_json()["error"]["message"]


def test_nasty_text_is_only_text(as_role, a_part):
    nasty = "<script>alert(1)</script>'; DROP TABLE jobs; --"
    client = as_role("bench")
    number = client.post("/api/jobs", {"title": nasty}).get_json()["number"]
    assert client.get(f"/api/jobs/{number}").get_json()["job"]["title"] == nasty
    for text in ("%27%3B DROP TABLE jobs", "%00%01", "%25%25%25", "_" * 40):
        assert client.get(f"/api/counter?text={text}").status_code == 200
