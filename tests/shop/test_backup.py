"""The whole shop in a file and back, photos included."""

import gzip

import pytest

from ample.core.errors import AmpleError
from ample.store import Database
from ample.store.dump import HEAD, check_dump, read_dump, write_dump
from ample.store.migrate import migrate
from ample.store.private_server import PrivateServer

QUESTIONS = {
    "jobs": "SELECT number, title FROM jobs ORDER BY job_id",
    "photos": "SELECT job_id, SHA2(image, 256) AS picture, caption FROM photos ORDER BY photo_id",
    "line parts": "SELECT job_id, part_key, details FROM line_parts ORDER BY job_id, position",
    "audit": "SELECT COUNT(*) AS n FROM audit",
}


def held(url):
    database = Database(url)
    found = {name: database.run(lambda t, q=sql: t.rows(q)) for name, sql in QUESTIONS.items()}
    database.close()
    return found


def test_a_shop_with_photos_survives_backup_and_restore(server, tmp_path):
    file = tmp_path / "shop.sql.gz"
    before = held(server.url)
    assert len(before["photos"]) >= 4
    assert write_dump(server.url, file) == file.stat().st_size > 10_000
    other = PrivateServer(tmp_path / "other")
    other.start()
    try:
        migrate(other.url)
        Database(other.url).run(lambda t: t.insert("INSERT INTO makers (name) VALUES ('to be gone')"))
        read_dump(other.url, file)
        assert migrate(other.url) == 0
        assert held(other.url) == before
    finally:
        other.stop()


def test_an_existing_file_is_not_overwritten(server, tmp_path):
    file = tmp_path / "shop.sql.gz"
    file.write_text("mine")
    with pytest.raises(AmpleError, match="exists already"):
        write_dump(server.url, file)
    assert file.read_text() == "mine"


@pytest.mark.parametrize(
    ("content", "words"),
    [
        (b"garbage", "no backup"),
        (gzip.compress(b"other"), "no backup"),
        (gzip.compress(HEAD + b"CREATE"), "cut off"),
        (gzip.compress(HEAD + b"x" * 5000)[:-9], "broken"),
    ],
)
def test_what_is_no_whole_backup_is_refused_before_anything_is_touched(tmp_path, content, words):
    file = tmp_path / "bad.gz"
    file.write_bytes(content)
    with pytest.raises(AmpleError, match=words):
        check_dump(file)


def test_a_folder_that_is_not_there_is_said_so(server, tmp_path):
    with pytest.raises(AmpleError, match="cannot be written"):
        write_dump(server.url, tmp_path / "nowhere" / "shop.sql.gz")
