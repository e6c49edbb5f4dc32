#!/bin/sh
# Makes a certificate authority of the shop's own and a certificate of the site, with openssl: sh make-certificates.sh FOLDER NAME [ADDRESS]
# The authority is made once and stays; the certificate is made anew each time, for 820 days: telephones take none that is good for longer than 825.
set -eu
folder=$1
name=$2
address=${3:-}
umask 077
mkdir -p "$folder"
cd "$folder"
names="DNS:$name"
[ -z "$address" ] || names="$names,IP:$address"
if [ ! -f ca.key ]; then
  openssl ecparam -name prime256v1 -genkey -noout -out ca.key
  openssl req -x509 -new -key ca.key -sha256 -days 3650 -out ca.crt -subj "/CN=Jentik of $name" \
    -addext "basicConstraints=critical,CA:TRUE,pathlen:0" -addext "keyUsage=critical,keyCertSign,cRLSign"
  chmod 644 ca.crt
fi
openssl ecparam -name prime256v1 -genkey -noout -out site.key
openssl req -new -key site.key -subj "/CN=$name" -out site.csr
printf 'subjectAltName=%s\nextendedKeyUsage=serverAuth\nbasicConstraints=CA:FALSE\n' "$names" > site.ext
openssl x509 -req -in site.csr -CA ca.crt -CAkey ca.key -CAcreateserial -days 820 -sha256 -extfile site.ext -out site.crt
rm -f site.csr site.ext
chmod 644 site.crt
